<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line that a supplier owes, and why he is asked about it. */
final readonly class ChaseRow
{
    /**
     * @param  string  $code  of the line
     * @param  int  $number  of the line in its order
     * @param  string  $theirs  the supplier's code of the item
     * @param  int  $millionths  still to come
     * @param  string  $due  ISO date
     * @param  string|null  $confirmedDue  ISO date
     * @param  list<ChaseReason>  $reasons
     */
    public function __construct(
        public string $code,
        public string $order,
        public int $number,
        public string $supplierCode,
        public string $supplier,
        public string $item,
        public string $theirs,
        public string $name,
        public string $qty,
        public string $open,
        public int $millionths,
        public string $unit,
        public int $decimals,
        public string $due,
        public int $daysLate,
        public ?string $confirmedDue,
        public ?string $confirmedQty,
        public array $reasons,
        public string $hasMail,
        public ?string $chased,
    ) {
    }
}
