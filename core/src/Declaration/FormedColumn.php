<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** What the column types share that are held as text of a certain form: it is looked at wherever a value comes from. */
trait FormedColumn
{
    use TextColumn;

    public function fromPlain(mixed $plain): mixed
    {
        return $this->parse(is_string($plain) ? $plain : throw new InvalidField(Fault::of('wrong_type')));
    }
}
