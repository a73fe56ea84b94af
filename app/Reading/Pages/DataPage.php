<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\DataKind;
use App\Reading\Shapes\DataRecords;
use App\Reading\Shapes\DataShelf;

/** The master data, one kind at a time. */
final readonly class DataPage extends Page
{
    /**
     * @param  list<DataShelf>  $shelves
     * @param  array<string, string>  $filter
     * @param  'bring'|'new'|null  $opens  what is begun at once
     */
    public function __construct(
        public array $shelves,
        public DataKind $kind,
        public DataRecords $list,
        public array $filter,
        public ?string $opens,
    ) {
    }
}
