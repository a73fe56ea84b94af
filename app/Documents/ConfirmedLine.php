<?php

declare(strict_types=1);

namespace App\Documents;

/** A line of an order as a supplier confirms it. */
final readonly class ConfirmedLine
{
    /**
     * @param  int  $number  of the line in the file
     * @param  string  $line  number of the line in the order; may be empty where the item is given
     * @param  string  $item  our code or the supplier's; may be empty
     * @param  int  $qty  millionths
     * @param  int  $due  day number
     */
    public function __construct(
        public int $number,
        public string $order,
        public string $line,
        public string $item,
        public int $qty,
        public int $due,
    ) {
    }
}
