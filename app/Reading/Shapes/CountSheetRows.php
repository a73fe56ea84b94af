<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A count before it is booked: what differs first, the largest value at the top. */
final readonly class CountSheetRows
{
    /**
     * @param  list<CountRow>  $rows
     * @param  int  $agree  how many are as the books say
     */
    public function __construct(public array $rows, public int $agree, public string $message)
    {
    }
}
