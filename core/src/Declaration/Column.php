<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Attribute;

/** Declares that a property is a column of its class's file: how it is read, checked, written, kept and documented. */
#[Attribute(Attribute::TARGET_PROPERTY)]
final readonly class Column
{
    /**
     * @param  string|null  $default  what an empty field stands for, as it would be written in the file; empty for nothing (null); null
     *    where it must be filled
     * @param  string|null  $name  in the file, where it is not the property's in snake case
     * @param  string|null  $kept  name in the table, where it is not the one that {@see DeclaredColumn} makes of the property's
     * @param  string  $note  for the documentation, in the place of the default
     */
    public function __construct(
        public ColumnType $type,
        public ?string $default = null,
        public ?string $name = null,
        public ?string $kept = null,
        public string $note = '',
    ) {
    }
}
