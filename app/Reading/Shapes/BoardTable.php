<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What runs when on which unit. Minutes count from 00:00 of the plan date. */
final readonly class BoardTable
{
    /**
     * @param  int  $from  first minute of the window
     * @param  int  $to  the minute behind its last
     * @param  int|null  $frozen  minute before which the schedule that was kept last stays as it is; null where none does
     * @param  list<BoardCentre>  $centres
     * @param  list<BoardOrder>  $orders  of which bars are
     * @param  list<BoardBar>  $bars  within the window, by start
     * @param  list<BoardOrder>  $waiting  orders and proposals that have no place of their own
     * @param  int  $waitingCount  of all that wait
     * @param  int  $late  orders in the window that are late for a customer
     * @param  string  $stamp  of what it shows; another one when somebody has changed that
     */
    public function __construct(
        public int $from,
        public int $to,
        public ?int $frozen,
        public array $centres,
        public array $orders,
        public array $bars,
        public array $waiting,
        public int $waitingCount,
        public int $late,
        public string $stamp,
    ) {
    }
}
