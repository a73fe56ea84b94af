<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Plan\EndShares;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;

/**
 * What a centre works for in a period, and which demand does not fit where that is more than it has: what is for nobody gives way first,
 * then forecasts, then sales lines that count least, those due last first.
 */
final readonly class Overflow
{
    /** @var list<DemandLoad> sales lines and forecasts, what takes most first */
    public array $demands;

    /** Minutes for no sales line and no forecast: lot sizes, safety stock, what nobody needs. */
    public float $forNobody;

    /** Minutes above what the centre has. */
    public float $excess;

    /** @param  list<LoadEntry>  $entries  of the period */
    public function __construct(Plan $plan, LoadCell $cell, array $entries)
    {
        $shares = new EndShares($plan);
        $minutes = $ends = [];
        $named = 0.0;
        foreach ($entries as $entry) {
            foreach ($shares->of($entry->laid->supply) as $id => [$demand, $share]) {
                $ends[$id] = $demand;
                $minutes[$id] = ($minutes[$id] ?? 0.0) + $share * $entry->minutes;
                $named += $share * $entry->minutes;
            }
        }
        arsort($minutes);
        $demands = [];
        foreach ($minutes as $id => $one) {
            $demands[] = new DemandLoad($ends[$id], $one);
        }
        $this->demands = $demands;
        $this->forNobody = max(0.0, $cell->load - $named);
        $this->excess = max(0.0, $cell->load - $cell->capacity);
    }

    /** @return list<array{DemandLoad, int}> demands that would have to wait, with the quantity in millionths, in whole steps of the item */
    public function unfit(Plan $plan): array
    {
        $left = $this->excess - $this->forNobody;
        $inOrder = $this->demands;
        usort($inOrder, fn (DemandLoad $a, DemandLoad $b) => self::givesWay($a->demand) <=> self::givesWay($b->demand));
        $unfit = [];
        foreach ($inOrder as $one) {
            if ($left < 1.0) {
                break;
            }
            $step = $plan->structure->points[$one->demand->point]->item->step();
            $qty = (int) ceil(min(1.0, $left / $one->minutes) * $one->demand->qty / $step) * $step;
            $unfit[] = [$one, min($qty, $one->demand->qty)];
            $left -= $one->minutes;
        }

        return $unfit;
    }

    /** @return list<int> */
    private static function givesWay(Demand $demand): array
    {
        return [$demand->kind === DemandKind::Forecast ? 0 : 1, -$demand->priority, -($demand->date ?? 0)];
    }
}
