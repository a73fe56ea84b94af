<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A kind of master data. */
final readonly class DataKind
{
    /**
     * @param  string  $kind  the name of its file
     * @param  string  $one  what one row is called
     * @param  list<DataField>  $fields
     * @param  bool  $isTyped  whether its rows are written one by one, too
     */
    public function __construct(
        public string $kind,
        public string $title,
        public string $one,
        public string $many,
        public array $fields,
        public bool $isTyped,
    ) {
    }
}
