<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\JournalRow;

/** What people changed. */
final readonly class JournalPage extends Page
{
    /**
     * @param  list<JournalRow>  $entries
     * @param  array{q: string}  $filter
     */
    public function __construct(
        public array $entries,
        public array $filter,
        public int $most,
    ) {
    }
}
