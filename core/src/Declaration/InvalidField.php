<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use InvalidArgumentException;

/** The text of a field is no value of its column. */
final class InvalidField extends InvalidArgumentException
{
    public function __construct(public readonly Fault $fault)
    {
        parent::__construct((string) $fault->problem);
    }
}
