<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\StudyRow;

/** The studies, and the runs that they can be compared with. */
final readonly class StudiesPage extends Page
{
    /**
     * @param  list<StudyRow>  $rows
     * @param  list<string>  $calendars
     */
    public function __construct(
        public array $rows,
        public array $calendars,
        public string $open,
    ) {
    }
}
