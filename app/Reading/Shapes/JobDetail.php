<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A job in full. */
final readonly class JobDetail
{
    /**
     * @param  DataRecord  $row  as it is kept
     * @param  list<JobActivityRow>  $activities
     */
    public function __construct(public JobRow $job, public DataRecord $row, public array $activities)
    {
    }
}
