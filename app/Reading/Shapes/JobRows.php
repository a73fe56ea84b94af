<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Jobs from a place of their list on, and how many there are in all. */
final readonly class JobRows
{
    /**
     * @param  list<JobRow>  $rows
     */
    public function __construct(public array $rows, public int $total)
    {
    }
}
