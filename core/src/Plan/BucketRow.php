<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

/**
 * What moves at a point in one bucket, and where it ends. Quantities in millionths, or in the unit that was asked for; dates as day
 * numbers.
 */
final class BucketRow
{
    public int $sales = 0;

    public int $forecast = 0;

    public int $parts = 0;

    public int $out = 0;

    /** Open orders, at the date on which netting counts them. */
    public int $receipts = 0;

    public int $proposalsDue = 0;

    public int $proposalsStart = 0;

    /** Stock and all supply due by the end, less all demand needed by then. */
    public int $balance = 0;

    /** Open orders, when they will really be there. */
    public int $receiptsExpected = 0;

    public int $proposalsExpected = 0;

    /** The same balance with every supply when it will really be there. */
    public int $expectedBalance = 0;

    /** The lowest balances at the end of a day in the bucket. */
    public int $lowest = 0;

    public int $expectedLowest = 0;

    /**
     * @param  int  $start  first day, even before the plan date
     * @param  int  $end  last day, even after the horizon
     */
    public function __construct(public readonly int $start, public readonly int $end)
    {
    }

    public function demand(): int
    {
        return $this->sales + $this->forecast + $this->parts + $this->out;
    }
}
