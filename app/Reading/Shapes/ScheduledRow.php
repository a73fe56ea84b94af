<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An order or proposal before and after a schedule; instants as `YYYY-MM-DD HH:MM`, null where it was not in the shop. */
final readonly class ScheduledRow
{
    /**
     * @param  string|null  $label  code of the order; null for a proposal
     * @param  string  $due  ISO date on which it should end
     * @param  int  $shift  minutes by which it ends later
     * @param  int  $moved  operations that stand elsewhere
     * @param  string|null  $why  what makes it late
     */
    public function __construct(
        public string $reference,
        public ?string $label,
        public string $href,
        public string $item,
        public string $name,
        public string $qty,
        public string $unit,
        public string $due,
        public ?string $startBefore,
        public ?string $endBefore,
        public string $startAfter,
        public string $endAfter,
        public int $lateBefore,
        public int $lateAfter,
        public int $shift,
        public int $moved,
        public int $operations,
        public ?string $why,
    ) {
    }
}
