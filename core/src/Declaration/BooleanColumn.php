<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** What all columns of two values have in common: held as a bool, never empty. */
trait BooleanColumn
{
    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return null;
    }

    public function harmless(): mixed
    {
        return false;
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function plain(mixed $value): bool
    {
        return $value === true;
    }

    public function fromPlain(mixed $plain): mixed
    {
        return is_bool($plain) ? $plain : throw new InvalidField(Fault::of('wrong_type'));
    }
}
