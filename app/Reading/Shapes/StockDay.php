<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What stock really was at the end of a day. */
final readonly class StockDay
{
    /**
     * @param  string  $date  ISO date
     * @param  string  $stock  a decimal
     */
    public function __construct(public string $date, public string $stock)
    {
    }
}
