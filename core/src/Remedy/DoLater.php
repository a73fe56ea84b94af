<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadEntry;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\ProposalOrigins;

/** Operations that do not fit are done in the period after, where there is room: their orders become due later. */
final readonly class DoLater extends MovedWork
{
    /**
     * Each order alone that there is room for in the next period, what takes most first.
     *
     * @return list<self>
     */
    public static function find(Plan $plan, Load $load, string $centre, int $place, ProposalOrigins $origins): array
    {
        $room = self::room($load, $centre, $place);
        $entries = array_filter($load->at($centre, $place), fn (LoadEntry $entry) => $entry->minutes <= $room);
        usort($entries, fn (LoadEntry $one, LoadEntry $other) => $other->minutes <=> $one->minutes);
        $orders = new ProposalOrders($plan, $origins);
        $found = [];
        foreach ($entries as $entry) {
            $change = count($found) < self::MOST_ORDERS
                ? self::later($plan, $entry, $load->periods[$place + 1][0], $orders, count($found))
                : null;
            $change === null || $found[] = new self([$change], $entry->minutes);
        }

        return $found;
    }

    /** Minutes for which the centre has nothing to do in the next period. */
    public static function room(Load $load, string $centre, int $place): int
    {
        $cell = $load->cells[$centre][$place + 1] ?? null;

        return $cell === null ? 0 : (int) max(0.0, $cell->capacity - $cell->load);
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::DoLater;
    }

    /** So many working days later that its operation begins on a day. */
    private static function later(Plan $plan, LoadEntry $entry, int $day, ProposalOrders $orders, int $place): ?Change
    {
        $supply = $entry->laid->supply;
        if ($entry->laid->first === null) {
            return null;
        }
        $calendar = $plan->structure->points[$supply->point]->calendar;
        $days = $calendar->stepsToReach($calendar->forward(Minute::day($entry->laid->first), 0), $day);
        $due = $calendar->forward($supply->due, max(1, $days));

        return $supply->kind === SupplyKind::Order
            ? new MoveOrder($supply->name, $due)
            : $orders->of($supply, $due, $calendar->forward($supply->start, max(1, $days)), $place);
    }
}
