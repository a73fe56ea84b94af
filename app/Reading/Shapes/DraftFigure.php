<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use App\Support\Words;

/** A total with and without a draft, as text; worse and better as a planner sees it. */
final readonly class DraftFigure
{
    public function __construct(
        public string $name,
        public string $label,
        public string $before,
        public string $after,
        public string $change,
        public bool $worse,
        public bool $better,
    ) {
    }

    /** @param  bool|null  $moreIsBetter  null where more is neither better nor worse */
    public static function of(string $name, string $label, int $before, int $after, ?bool $moreIsBetter): self
    {
        $change = $after - $before;

        return new self(
            name: $name, label: $label, before: Words::money($before), after: Words::money($after),
            change: $change === 0 ? (string) trans('same') : ($change > 0 ? '+' : "\u{2212}").Words::money(abs($change)),
            worse: $change !== 0 && $moreIsBetter === ($change < 0), better: $change !== 0 && $moreIsBetter === ($change > 0),
        );
    }
}
