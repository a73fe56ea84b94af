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
use Yposta\Core\Support\Phrase;

/** Operations that do not fit are done in the time before, where there is room: their orders become due earlier. */
final readonly class DoEarlier extends Remedy
{
    private const MOST_ORDERS = 10;

    /** @param  non-empty-list<Change>  $changes */
    private function __construct(array $changes, public int $minutes)
    {
        parent::__construct($changes);
    }

    /** @return list<self> that take out as much as there is too much, or as there is room for: with few orders, and with the smallest */
    public static function find(Plan $plan, Load $load, string $centre, int $place, ProposalOrigins $origins): array
    {
        $entries = array_filter($load->at($centre, $place), fn (LoadEntry $entry) => $entry->laid->supply->waitsFor === null);
        usort($entries, fn (LoadEntry $one, LoadEntry $other) => $other->minutes <=> $one->minutes);
        $found = [];
        foreach ([$entries, array_reverse($entries)] as $inOrder) {
            $one = self::of($plan, $load, $centre, $place, $inOrder, new ProposalOrders($plan, $origins));
            $one === null || in_array($one, $found) || $found[] = $one;
        }

        return $found;
    }

    /** @param  list<LoadEntry>  $entries  what goes first */
    private static function of(Plan $plan, Load $load, string $centre, int $place, array $entries, ProposalOrders $orders): ?self
    {
        $cells = $load->cells[$centre];
        $room = 0;
        foreach (array_slice($cells, 0, $place) as $cell) {
            $room += (int) max(0, $cell->capacity - $cell->load);
        }
        $excess = $cells[$place]->load - $cells[$place]->capacity;
        $changes = [];
        $moved = 0;
        foreach ($entries as $entry) {
            if ($entry->minutes > $room || $moved >= $excess || count($changes) === self::MOST_ORDERS) {
                continue;
            }
            $change = self::earlier($plan, $entry, $load->periods[$place][0] - 1, $orders, count($changes));
            if ($change !== null) {
                $changes[] = $change;
                $moved += $entry->minutes;
                $room -= $entry->minutes;
            }
        }

        return $changes === [] ? null : new self($changes, $moved);
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::DoEarlier;
    }

    protected function values(): array
    {
        return ['orders' => new Phrase('orders', ['count' => count($this->changes)]), 'hours' => sprintf('%.1f', $this->minutes / 60)];
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
