<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What was counted of an item beside what the books say. */
final readonly class CountRow
{
    /**
     * @param  int  $line  of what was typed
     * @param  string|null  $qty  what was counted; null where that is no quantity
     * @param  string|null  $books  what there is by the ledger
     * @param  string|null  $difference  counted less books
     * @param  string|null  $value  of the difference, whole units of the currency
     * @param  string|null  $trouble  why it cannot be booked
     */
    public function __construct(
        public int $line,
        public string $item,
        public string $name,
        public string $unit,
        public int $decimals,
        public ?string $qty,
        public ?string $books,
        public ?string $difference,
        public ?string $value,
        public ?string $trouble,
    ) {
    }
}
