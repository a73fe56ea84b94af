<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** What the column types share whose values are counted in whole numbers. */
trait NumberColumn
{
    public function harmless(): mixed
    {
        return 0;
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function plain(mixed $value): int|string
    {
        return $this->write($value);
    }

    public function fromPlain(mixed $plain): mixed
    {
        return is_string($plain) ? $this->parse($plain) : throw new InvalidField(Fault::of('wrong_type'));
    }
}
