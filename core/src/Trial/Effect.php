<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

/** What changes do to a plan. */
final readonly class Effect
{
    /**
     * @param  array<string, array{int, int}>  $figures  totals before and after by name
     * @param  list<ArrivalChange>  $lines  sales lines that arrive on another day, those hurt first, the longest first
     * @param  list<ArrivalChange>  $orders  open orders that arrive on another day, the same way
     */
    private function __construct(public array $figures, public array $lines, public array $orders)
    {
    }

    public static function between(Outcome $before, Outcome $after): self
    {
        $figures = [];
        foreach ($before->figures as $name => $value) {
            $figures[$name] = [$value, $after->figures[$name] ?? 0];
        }

        $lines = $orders = [[], []];
        foreach ($before->differences($after) as $sides) {
            foreach ($sides as $side => $point) {
                $lines[$side] += $point->lines ?? [];
                $orders[$side] += $point->orders ?? [];
            }
        }

        return new self($figures, self::slips(...$lines), self::slips(...$orders));
    }

    /** What others pay: the days by which sales lines become later. */
    public function hurtDays(): int
    {
        return array_sum(array_map(fn (ArrivalChange $slip) => $slip->hurts() ? max(1, $slip->days()) : 0, $this->lines));
    }

    /** By how much a total changes. */
    public function change(string $figure): int
    {
        [$before, $after] = $this->figures[$figure] ?? [0, 0];

        return $after - $before;
    }

    /**
     * @param  array<string, Arrival>  $before
     * @param  array<string, Arrival>  $after
     * @return list<ArrivalChange>
     */
    private static function slips(array $before, array $after): array
    {
        $slips = [];
        foreach ($before + $after as $reference => $_) {
            [$old, $new] = [$before[$reference] ?? null, $after[$reference] ?? null];
            if ($old?->expected !== $new?->expected || $old?->due !== $new?->due || $old?->uncovered !== $new?->uncovered) {
                $slips[] = new ArrivalChange($old, $new);
            }
        }
        usort(
            $slips,
            fn (ArrivalChange $a, ArrivalChange $b) => [
                $b->hurts(),
                $b->days(),
                $a->arrival()->reference,
            ] <=> [$a->hurts(), $a->days(), $b->arrival()->reference],
        );

        return $slips;
    }
}
