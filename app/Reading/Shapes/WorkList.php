<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What runs next at a work centre, in sequence. */
final readonly class WorkList
{
    /**
     * @param  list<WorkRow>  $rows
     * @param  int  $count  of all that are to come
     */
    public function __construct(public string $centre, public string $name, public int $units, public array $rows, public int $count)
    {
    }
}
