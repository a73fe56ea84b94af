<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** Every supply and demand of a point in date order with a running balance; on a day supplies come before demands. */
final class Flow
{
    /**
     * @param  list<Supply>  $supplies
     * @param  list<Demand>  $demands
     * @param  bool  $asExpected  supplies when they will really be there, else when netting counts them
     * @return list<FlowEntry>
     */
    public static function of(array $supplies, array $demands, bool $asExpected): array
    {
        $moves = [];
        foreach ($supplies as $supply) {
            $moves[] = [$asExpected ? $supply->available : $supply->effective, 0, 0, $supply->rank, $supply, $supply->qty];
        }
        foreach ($demands as $demand) {
            if ($demand->need !== null) {
                $moves[] = [$demand->need, 1, $demand->priority, $demand->rank, $demand, -$demand->qty];
            }
        }
        usort($moves, fn (array $a, array $b) => $a[0] <=> $b[0] ?: $a[1] <=> $b[1] ?: $a[2] <=> $b[2] ?: $a[3] <=> $b[3]);
        $balance = 0;

        return array_map(function (array $move) use (&$balance): FlowEntry {
            $balance += $move[5];

            return new FlowEntry($move[0], $move[4], $move[5], $balance);
        }, $moves);
    }
}
