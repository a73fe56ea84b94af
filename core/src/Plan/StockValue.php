<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** What the projected stock is worth on average over the days of the run, at unit cost; a balance below zero is worth nothing. */
final class StockValue
{
    /** @return array<int, int> by point, in whole units of the currency; points without value are left out */
    public static function byPoint(Plan $plan): array
    {
        $values = [];
        foreach ($plan->supplies as $index => $_) {
            $value = self::at($plan, $index);
            $value === 0 || $values[$index] = $value;
        }

        return $values;
    }

    /** @return int in whole units of the currency */
    public static function at(Plan $plan, int $index): int
    {
        $cost = $plan->structure->points[$index]->item->unitCost;
        $supplies = $plan->supplies[$index] ?? [];

        return $cost === 0 || $supplies === [] ? 0 : Summary::value(
            self::average($supplies, $plan->demands[$index] ?? [], $plan->options->planDate, $plan->options->horizonEnd), $cost,
        );
    }

    /**
     * The average of the balances at the ends of the days, as expected.
     *
     * @param  list<Supply>  $supplies
     * @param  list<Demand>  $demands
     * @return int millionths
     */
    public static function average(array $supplies, array $demands, int $planDate, int $horizonEnd): int
    {
        $days = $horizonEnd - $planDate + 1;
        $moves = [$planDate => 0];
        foreach ($supplies as $supply) {
            $moves[$supply->available] = ($moves[$supply->available] ?? 0) + intdiv($supply->qty, $days);
        }
        foreach ($demands as $demand) {
            if ($demand->need !== null) {
                $moves[$demand->need] = ($moves[$demand->need] ?? 0) - intdiv($demand->qty, $days);
            }
        }
        ksort($moves);
        $average = $balance = 0;
        $since = $planDate;
        foreach ($moves as $day => $move) {
            if ($day > $horizonEnd) {
                break;
            }
            $average += max(0, $balance) * ($day - $since);
            $balance += $move;
            $since = $day;
        }

        return $average + max(0, $balance) * ($horizonEnd + 1 - $since);
    }
}
