<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

/** A change that is kept as other fields than those of its constructor. */
interface Flat
{
    /** @return array<string, mixed> plain fields by name */
    public function toFields(): array;

    /**
     * @param  array<mixed>  $fields
     *
     * @throws InvalidChange when one is missing, unknown or of another type
     */
    public static function fromFields(array $fields): self;
}
