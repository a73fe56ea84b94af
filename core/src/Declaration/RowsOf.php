<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Attribute;

/** Declares that a property holds a list of declared rows. */
#[Attribute(Attribute::TARGET_PROPERTY)]
final readonly class RowsOf
{
    /** @param  class-string  $class */
    public function __construct(public string $class)
    {
    }
}
