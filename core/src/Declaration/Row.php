<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use InvalidArgumentException;

/** An immutable row whose columns are declared at its properties; it is built by their names. */
trait Row
{
    /** @param  array<mixed>  $values  of every property, by its name */
    private function __construct(array $values)
    {
        foreach ($values as $name => $value) {
            $this->{(string) $name} = $value;
        }
    }

    /**
     * A row of values by the names of its properties; those with a default may be left out.
     *
     * @throws InvalidArgumentException when one is missing, or is not known
     */
    public static function of(mixed ...$values): self
    {
        return new self(Declaration::of(self::class)->complete($values));
    }

    /** @param  array<mixed>  $values  of every property, by its name */
    public static function fromValues(array $values): self
    {
        return new self($values);
    }

    /** The same with other values, by the names of their properties. */
    public function with(mixed ...$values): self
    {
        return new self([...get_object_vars($this), ...$values]);
    }
}
