<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\DataKind;
use App\Reading\Shapes\JobDetail;
use App\Reading\Shapes\JobRow;

/** Projects for customers: all of them, or one. */
final readonly class JobsPage extends Page
{
    /**
     * @param  array{q: string, job: string, sort: string}  $filter
     * @param  list<JobRow>  $jobs
     * @param  array{jobs: DataKind, job_activities: DataKind, job_lines: DataKind}  $kinds  what their fields are
     * @param  string  $currency  of all costs; empty where nobody has said
     */
    public function __construct(
        public array $filter,
        public array $jobs,
        public int $total,
        public ?JobDetail $detail,
        public array $kinds,
        public string $currency,
    ) {
    }
}
