<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Describe;
use App\Reading\Shapes\HeldOrder;
use App\Reading\Shapes\HeldRow;
use App\Reading\Shapes\HoldStatus;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\ReservationList;
use App\Reading\Shapes\Subject;
use App\Support\Words;
use App\Trials\ReservationFilter;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reservation\OrderHoldings;
use Yposta\Core\Reservation\Reservations;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\FullPeriod;
use Yposta\Core\Structure\Point;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Trial\Trial;

/** What is held for whom, over all orders. */
final readonly class ReservationView
{
    private const MOST_OTHERS = 60;

    public static function of(Trial $trial, ReservationFilter $filter): ReservationList
    {
        return $trial->with([], function (Plan $plan) use ($trial, $filter): ReservationList {
            $presenter = new TrialPresenter($trial->network(), $plan->options->planDate);
            $orders = array_filter(
                (new Reservations($plan))->all(),
                fn (OrderHoldings $order) => self::isAt(self::pointOf($plan, $order), $filter),
            );
            $held = self::held($presenter, $plan, $filter);
            if ($filter->held) {
                $rows = array_values(array_filter(
                    $held,
                    fn (HeldRow $row) => $filter->finds($row->consumer->label, $row->item, $row->name, $row->from),
                ));

                return new ReservationList([], array_slice($rows, 0, $filter->rows), count($rows), count($orders), count($held));
            }
            $rows = array_values(array_filter($orders, fn (OrderHoldings $order) => self::fits($presenter, $plan, $order, $filter)));
            $shown = array_slice($rows, 0, $filter->rows);
            $full = self::withoutRoom($presenter, $plan, $shown);

            return new ReservationList(
                array_map(fn (OrderHoldings $order) => self::order($presenter, $plan, $order, $full[$order->reference] ?? null), $shown),
                [],
                count($rows),
                count($orders),
                count($held),
            );
        });
    }

    private static function fits(TrialPresenter $presenter, Plan $plan, OrderHoldings $order, ReservationFilter $filter): bool
    {
        $item = self::pointOf($plan, $order)->item;

        return ($filter->status === '' || $order->status() === $filter->status)
            && (! $filter->there || $order->isAvailable())
            && $filter->finds(self::subject($presenter, $plan, $order)->label, $item->code, $item->name);
    }

    private static function isAt(Point $point, ReservationFilter $filter): bool
    {
        return $filter->site === '' || $point->site->code === $filter->site;
    }

    private static function pointOf(Plan $plan, OrderHoldings $order): Point
    {
        $first = $order->needs[0]->demand;

        return $plan->structure->points[$first->for->point ?? $first->point];
    }

    private static function subject(TrialPresenter $presenter, Plan $plan, OrderHoldings $order): Link
    {
        $first = $order->needs[0]->demand;

        return $first->for === null
            ? $presenter->consumer($plan, $first)
            : new Link($first->for->name, Describe::orderHref($first->for->name));
    }

    /**
     * Material alone makes nothing: which work centres have no room for production orders, where their dates do not say so.
     *
     * @param  list<OrderHoldings>  $orders
     * @return array<string, string> the first such centre in words, by reference of the order
     */
    private static function withoutRoom(TrialPresenter $presenter, Plan $plan, array $orders): array
    {
        $codes = [];
        foreach ($plan->options->schedule || $plan->network->workCentres === [] ? [] : $orders as $order) {
            $for = $order->needs[0]->demand->for;
            $for?->type === OrderKind::Make && $codes[$for->name] = $order->reference;
        }
        $said = [];
        foreach ($codes === [] ? [] : FullPeriod::of($plan, array_map(strval(...), array_keys($codes))) as $full) {
            $said[$codes[$full->order]] ??= (string) trans(':centre :percent %, :day', [
                'centre' => $full->centre, 'percent' => $full->percent, 'day' => $presenter->day($full->from),
            ]);
        }

        return $said;
    }

    private static function order(TrialPresenter $presenter, Plan $plan, OrderHoldings $order, ?string $room): HeldOrder
    {
        $first = $order->needs[0]->demand;
        $point = self::pointOf($plan, $order);
        $wanted = $kept = 0;
        foreach ($order->needs as $need) {
            $wanted += $need->demand->qty;
            $kept += $need->kept();
        }
        $one = count($order->needs) === 1;
        $shares = $order->shares();

        return new HeldOrder(
            reference: $order->reference,
            subject: self::subject($presenter, $plan, $order),
            item: $point->item->code,
            name: $point->item->name,
            due: $presenter->dates->iso($first->for->due ?? (int) $first->date),
            status: HoldStatus::from($order->status()),
            needs: count($order->needs),
            complete: $order->complete(),
            wanted: $one ? Quantity::format($wanted) : '',
            kept: $one ? Quantity::format($kept) : '',
            available: $order->isAvailable(),
            heldShare: $shares['held'],
            freeShare: $shares['free'],
            holdable: $order->holdable(),
            room: $room,
        );
    }

    /** @return list<HeldRow> each fixed allocation, with both its ends */
    private static function held(TrialPresenter $presenter, Plan $plan, ReservationFilter $filter): array
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
        $lookup = new ReferenceLookup($plan->network);
        foreach ($plan->network->allocations as $held) {
            $demand = $demands[$held->demand] ?? null;
            $supply = $supplies[$held->supply] ?? null;
            $point = $plan->structure->points[$supply->point ?? $demand->point ?? -1] ?? null;
            [$item, $site] = $point === null ? self::named($lookup, $held->supply) : [$point->item->code, $point->site->code];
            if ($item === null || ! in_array($filter->site, ['', $site], true)) {
                continue;
            }
            $item = $plan->network->items[$item];
            $rows[] = new HeldRow(
                demand: $held->demand,
                supply: $held->supply,
                consumer: $demand === null
                    ? new Link(Words::say(HoldSupply::named($held->demand)), null)
                    : $presenter->consumer($plan, $demand),
                from: self::from($presenter, $held->supply, $supply),
                item: $item->code,
                name: $item->name,
                unit: $item->unit,
                qty: Quantity::format($held->qty),
                due: self::due($presenter, $demand),
                arrives: $presenter->dates->isoOrNull($supply?->available),
                others: $point === null ? [] : self::others($presenter, $plan, $point->index, $held->demand),
            );
        }

        return $rows;
    }

    /**
     * Item and site of a supply that a plan does not have: nothing of it is left, or is asked for.
     *
     * @return array{string|null, string}
     */
    private static function named(ReferenceLookup $lookup, string $supply): array
    {
        $reference = Reference::tryParse($supply);
        $order = $reference === null ? null : $lookup->order($reference);

        return $order === null ? ($reference === null ? null : $lookup->point($reference)) ?? [null, ''] : [$order->item, $order->site];
    }

    /** @return list<Subject> the needs of orders and sales lines at a point for which it could be held instead, by date */
    private static function others(TrialPresenter $presenter, Plan $plan, int $point, string $but): array
    {
        $others = array_filter(
            $plan->demands[$point] ?? [],
            fn (Demand $demand) => in_array($demand->kind, [DemandKind::Sales, DemandKind::Job, DemandKind::Part, DemandKind::Out], true)
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
        return $supply === null ? Words::say(HoldSupply::named($reference)) : $presenter->supply($supply);
    }

    private static function due(TrialPresenter $presenter, ?Demand $demand): ?string
    {
        return $presenter->dates->isoOrNull($demand?->date);
    }
}
