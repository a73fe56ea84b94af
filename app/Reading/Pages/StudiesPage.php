<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\StudyRow;

/** The studies, and the runs that they can be compared with. */
final readonly class StudiesPage extends Page
{
    /**
     * @param  list<StudyRow>  $studies
     * @param  list<string>  $calendars
     */
    public function __construct(
        public array $studies,
        public array $calendars,
        public string $open,
    ) {
    }
}
