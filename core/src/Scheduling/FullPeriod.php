<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Supply;

/** A period in which a work centre that an order needs has more to do than it can. */
final readonly class FullPeriod
{
    /**
     * @param  int  $from  first day of it, day number
     * @param  int  $percent  how full it is
     */
    private function __construct(public string $order, public string $centre, public int $from, public int $percent)
    {
    }

    /**
     * @param  list<string>  $orders  codes
     * @return list<self> by order, centre and time
     */
    public static function of(Plan $plan, array $orders, BucketSize $size = BucketSize::Week): array
    {
        $wanted = array_fill_keys($orders, true);
        $load = null;
        $full = [];
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                if (! $supply->isProposal() && isset($wanted[$supply->name])) {
                    $load ??= new Load($plan, ShopPlan::shop($plan), $size);
                    array_push($full, ...self::ofOrder($load, $supply));
                }
            }
        }

        return $full;
    }

    /** @return list<self> */
    private static function ofOrder(Load $load, Supply $supply): array
    {
        $full = [];
        foreach (array_reverse($load->laid($supply)) as $laid) {
            foreach ($load->spread($laid) as $place => $minutes) {
                $cell = $load->cells[$laid->work->centre][$place];
                if ($minutes > 0 && $cell->load > $cell->capacity) {
                    $key = "{$laid->work->centre} {$place}";
                    $full[$key] ??= new self($supply->name, $laid->work->centre, $load->periods[$place][0], $cell->percent());
                }
            }
        }

        return array_values($full);
    }
}
