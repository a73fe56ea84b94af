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

/** Operations that do not fit are done in the time before, where there is room: their orders become due earlier. */
final readonly class DoEarlier extends MovedWork
{
    /**
     * Each order alone that there is room for in the time before, what takes most first; none that waits for its material.
     *
     * @return list<self>
     */
    public static function find(Plan $plan, Load $load, string $centre, int $place, ProposalOrigins $origins): array
    {
        $room = self::room($load, $centre, $place);
        $entries = array_filter(
            $load->at($centre, $place), fn (LoadEntry $entry) => $entry->laid->supply->waitsFor === null && $entry->minutes <= $room,
        );
        usort($entries, fn (LoadEntry $one, LoadEntry $other) => $other->minutes <=> $one->minutes);
        $orders = new ProposalOrders($plan, $origins);
        $found = [];
        foreach ($entries as $entry) {
            $change = count($found) < self::MOST_ORDERS
                ? self::earlier($plan, $entry, $load->periods[$place][0] - 1, $orders, count($found))
                : null;
            $change === null || $found[] = new self([$change], $entry->minutes);
        }

        return $found;
    }

    /** Minutes for which the centre has nothing to do in the time before. */
    public static function room(Load $load, string $centre, int $place): int
    {
        $room = 0.0;
        foreach (array_slice($load->cells[$centre], 0, $place) as $cell) {
            $room += max(0.0, $cell->capacity - $cell->load);
        }

        return (int) $room;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::DoEarlier;
    }

    /** So many working days earlier that its operation ends on a day; null where it would begin before the plan date. */
    private static function earlier(Plan $plan, LoadEntry $entry, int $day, ProposalOrders $orders, int $place): ?Change
    {
        $supply = $entry->laid->supply;
        $calendar = $plan->structure->points[$supply->point]->calendar;
        $ends = Minute::day($entry->laid->end - 1);
        $days = $calendar->steps($calendar->back($day, 0), $calendar->back($ends, 0));
        $due = $calendar->back(max($supply->due, $plan->options->planDate), max(1, $days));
        $start = $calendar->back($supply->start, max(1, $days));
        if ($days < 1 || $start < $plan->options->planDate) {
            return null;
        }

        return $supply->kind === SupplyKind::Order ? new MoveOrder($supply->name, $due) : $orders->of($supply, $due, $start, $place);
    }
}
