<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A job in the list, or at the head of its page. Costs in the currency. */
final readonly class JobRow
{
    /**
     * @param  int  $lines  how many it has
     * @param  int  $toApprove  that have an item and are not approved
     * @param  int  $placeholders  that have no item yet
     * @param  int  $late  approved ones that come too late
     * @param  string|null  $expected  day on which the last of them is there; null where none is open or one has no cover
     * @param  string  $record  the name under which its history is kept
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $customer,
        public int $priority,
        public ?string $begins,
        public ?string $ends,
        public int $lines,
        public int $toApprove,
        public int $placeholders,
        public int $late,
        public ?string $expected,
        public string $estimated,
        public string $committed,
        public string $actual,
        public string $record,
    ) {
    }
}
