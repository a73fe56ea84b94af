<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What is done in a job and when, with what that needs; the code is empty for lines of none. */
final readonly class JobActivityRow
{
    /**
     * @param  list<JobLineRow>  $lines
     */
    public function __construct(
        public string $activity,
        public string $name,
        public ?string $begins,
        public ?string $ends,
        public array $lines,
    ) {
    }
}
