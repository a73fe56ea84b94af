<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use App\Planning\Read\Describe;
use App\Planning\Shapes\HeldOrder;
use App\Planning\Shapes\HeldRow;
use App\Planning\Shapes\Link;
use App\Planning\Shapes\Subject;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reservation\OrderHoldings;
use Yposta\Core\Reservation\Reservations;
use Yposta\Core\Trial\Trial;

/** What is held for whom, over all orders. */
final readonly class ReservationView
{
    private const MOST_OTHERS = 60;

    /** @return array{orders: list<HeldOrder>, held: list<HeldRow>} */
    public static function of(Trial $trial, string $site): array
    {
        return $trial->with([], function (Plan $plan) use ($trial, $site): array {
            $present = new Present($trial->network(), $plan->options->planDate);
            $orders = [];
            foreach ((new Reservations($plan))->all() as $order) {
                $row = self::order($present, $plan, $order, $site);
                $row === null || $orders[] = $row;
            }

            return ['orders' => $orders, 'held' => self::held($present, $plan, $site)];
        });
    }

    private static function order(Present $present, Plan $plan, OrderHoldings $order, string $site): ?HeldOrder
    {
        $first = $order->needs[0]->demand;
        $point = $plan->structure->points[$first->for->point ?? $first->point];
        if ($site !== '' && $point->site->code !== $site) {
            return null;
        }
        $wanted = $kept = 0;
        foreach ($order->needs as $need) {
            $wanted += $need->demand->qty;
            $kept += $need->kept();
        }
        $one = count($order->needs) === 1;
        $subject = $first->for === null ? $present->consumer($plan, $first) : new Link($first->for->name, Describe::orderHref($first->for->name));

        return new HeldOrder(
            $order->reference, $subject, $point->item->code, $point->item->name, $present->dates->iso($first->for->due ?? (int) $first->date), $order->status(), count($order->needs), $order->complete(),
            $one ? Quantity::format($wanted) : '', $one ? Quantity::format($kept) : '', $order->isAvailable(),
        );
    }

    /** @return list<HeldRow> each fixed allocation, with both its ends */
    private static function held(Present $present, Plan $plan, string $site): array
    {
        $demands = $supplies = [];
        foreach ($plan->demands as $list) {
            foreach ($list as $demand) {
                $demands[$demand->reference()] = $demand;
            }
        }
        foreach ($plan->supplies as $list) {
            foreach ($list as $supply) {
                $supply->isProposal() || $supplies[$supply->reference()] = $supply;
            }
        }
        $rows = [];
        foreach ($plan->network->allocations as $held) {
            $demand = $demands[$held->demand] ?? null;
            $supply = $supplies[$held->supply] ?? null;
            $point = $plan->structure->points[$supply->point ?? $demand->point ?? -1] ?? null;
            if ($point === null || ($site !== '' && $point->site->code !== $site)) {
                continue;
            }
            $rows[] = new HeldRow(
                $held->demand, $held->supply, $demand === null ? new Link($held->demand, null) : $present->consumer($plan, $demand), self::from($present, $held->supply, $supply), $point->item->code, $point->item->name,
                $point->item->unit, Quantity::format($held->qty), self::due($present, $demand), $present->dates->isoOrNull($supply?->available), self::others($present, $plan, $point->index, $held->demand),
            );
        }

        return $rows;
    }

    /** @return list<Subject> the needs of orders and sales lines at a point for which it could be held instead, by date */
    private static function others(Present $present, Plan $plan, int $point, string $but): array
    {
        $others = array_filter($plan->demands[$point] ?? [], fn (Demand $demand) => in_array($demand->kind, [DemandKind::Sales, DemandKind::Part, DemandKind::Out], true) && ! $demand->isOfProposal() && $demand->reference() !== $but);
        usort($others, fn (Demand $a, Demand $b) => [$a->date, $a->rank] <=> [$b->date, $b->rank]);

        return array_map(fn (Demand $demand) => new Subject($demand->reference(), $present->consumer($plan, $demand)->label, $present->day((int) $demand->date)), array_slice($others, 0, self::MOST_OTHERS));
    }

    private static function from(Present $present, string $reference, ?Supply $supply): string
    {
        return $supply === null ? $reference : $present->supply($supply);
    }

    private static function due(Present $present, ?Demand $demand): ?string
    {
        return $present->dates->isoOrNull($demand?->date);
    }
}
