<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The shop as it stands and as a schedule would have it. */
final readonly class ScheduleSides
{
    /**
     * @param  list<DraftFigure>  $figures  of the schedule, all of them
     * @param  list<DraftFigure>  $totals  of the plan that change with it
     * @param  list<ArrivalChangeRow>  $lines  sales lines that arrive on another day
     * @param  int  $lineCount  how many there are
     * @param  list<ScheduledRow>  $orders  that move or are late, the worst first
     * @param  int  $orderCount  how many there are
     * @param  list<string>  $notes  what could not be done
     * @param  int  $kept  orders that keeping it writes
     */
    public function __construct(
        public array $figures,
        public array $totals,
        public array $lines,
        public int $lineCount,
        public array $orders,
        public int $orderCount,
        public array $notes,
        public int $kept,
    ) {
    }
}
