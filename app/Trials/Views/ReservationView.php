<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Describe;
use App\Reading\Shapes\HeldOrder;
use App\Reading\Shapes\HeldRow;
use App\Reading\Shapes\HoldStatus;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\Subject;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reservation\OrderHoldings;
use Yposta\Core\Reservation\Reservations;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Trial\Trial;

/** What is held for whom, over all orders. */
final readonly class ReservationView
{
    private const MOST_OTHERS = 60;

    /** @return array{orders: list<HeldOrder>, held: list<HeldRow>} */
    public static function of(Trial $trial, string $site): array
    {
        return $trial->with([], function (Plan $plan) use ($trial, $site): array {
            $presenter = new TrialPresenter($trial->network(), $plan->options->planDate);
            $orders = [];
            foreach ((new Reservations($plan))->all() as $order) {
                $row = self::order($presenter, $plan, $order, $site);
                $row === null || $orders[] = $row;
            }

            return ['orders' => $orders, 'held' => self::held($presenter, $plan, $site)];
        });
    }

    private static function order(TrialPresenter $presenter, Plan $plan, OrderHoldings $order, string $site): ?HeldOrder
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
        $subject = $first->for === null
            ? $presenter->consumer($plan, $first)
            : new Link($first->for->name, Describe::orderHref($first->for->name));

        return new HeldOrder(
            reference: $order->reference,
            subject: $subject,
            item: $point->item->code,
            name: $point->item->name,
            due: $presenter->dates->iso($first->for->due ?? (int) $first->date),
            status: HoldStatus::from($order->status()),
            needs: count($order->needs),
            complete: $order->complete(),
            wanted: $one ? Quantity::format($wanted) : '',
            kept: $one ? Quantity::format($kept) : '',
            available: $order->isAvailable(),
        );
    }

    /** @return list<HeldRow> each fixed allocation, with both its ends */
    private static function held(TrialPresenter $presenter, Plan $plan, string $site): array
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
                demand: $held->demand,
                supply: $held->supply,
                consumer: $demand === null ? new Link($held->demand, null) : $presenter->consumer($plan, $demand),
                from: self::from($presenter, $held->supply, $supply),
                item: $point->item->code,
                name: $point->item->name,
                unit: $point->item->unit,
                qty: Quantity::format($held->qty),
                due: self::due($presenter, $demand),
                arrives: $presenter->dates->isoOrNull($supply?->available),
                others: self::others($presenter, $plan, $point->index, $held->demand),
            );
        }

        return $rows;
    }

    /** @return list<Subject> the needs of orders and sales lines at a point for which it could be held instead, by date */
    private static function others(TrialPresenter $presenter, Plan $plan, int $point, string $but): array
    {
        $others = array_filter(
            $plan->demands[$point] ?? [],
            fn (Demand $demand) => in_array($demand->kind, [DemandKind::Sales, DemandKind::Part, DemandKind::Out], true)
                && ! $demand->isOfProposal()
                && $demand->reference() !== $but,
        );
        usort($others, fn (Demand $a, Demand $b) => [$a->date, $a->rank] <=> [$b->date, $b->rank]);

        return array_map(
            fn (Demand $demand) => new Subject(
                $demand->reference(),
                $presenter->consumer($plan, $demand)->label,
                $presenter->day((int) $demand->date),
            ),
            array_slice($others, 0, self::MOST_OTHERS),
        );
    }

    private static function from(TrialPresenter $presenter, string $reference, ?Supply $supply): string
    {
        return $supply === null ? $reference : $presenter->supply($supply);
    }

    private static function due(TrialPresenter $presenter, ?Demand $demand): ?string
    {
        return $presenter->dates->isoOrNull($demand?->date);
    }
}
