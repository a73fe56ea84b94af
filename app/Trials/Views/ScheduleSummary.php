<?php

declare(strict_types=1);

namespace App\Trials\Views;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Scheduling\ScheduledOrder;
use Yposta\Core\Structure\Structure;
use Yposta\Core\Trial\ArrivalChange;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\ScheduleResult;

/** What a schedule comes to beside the shop as it stands, as it is kept with it: plain values, no words. Instants as `YYYY-MM-DD HH:MM`. */
final class ScheduleSummary
{
    /** Orders and sales lines at the most, the worst first. */
    private const MOST = 2_000;

    /** @var array<string, int> */
    private array $figures = [];

    /** @var array<string, array{start: string, end: string, late: int, places: list<array{string, list<int>, int}>}> by reference */
    private array $stood = [];

    /** @param  list<string>  $asked  orders that were asked for by their codes */
    public function __construct(private readonly Network $network, private readonly int $planDate, private readonly array $asked = [])
    {
    }

    /** To be called while the dates are those of the shop as it stands. */
    public function before(ScheduleResult $result): void
    {
        $this->figures = $result->figures;
        foreach ($result->orders as $order) {
            $this->stood[$order->supply->reference()] = [
                'start' => Minute::format($order->start()), 'end' => Minute::format($order->end), 'late' => $order->lateDays(),
                'places' => self::places($order),
            ];
        }
    }

    /**
     * @param  int  $kept  orders that keeping it would write
     * @return array{figures: array<string, array{int, int}>, totals: array<string, array{int, int}>, lines: list<array<string, mixed>>, lineCount: int, orders: list<array<string, mixed>>, orderCount: int, without: array<string, string>, displaced: list<string>, kept: int, absent: list<string>}
     */
    public function of(ScheduleResult $result, Effect $effect, int $kept): array
    {
        $figures = [];
        foreach ($result->figures as $name => $value) {
            $figures[$name] = [$this->figures[$name] ?? 0, $value];
        }
        $lines = array_values(array_filter($effect->lines, fn (ArrivalChange $change) => $change->days() !== 0 || $change->hurts()));
        $presenter = new TrialPresenter($this->network, $this->planDate);
        $orders = [];
        foreach ($result->orders as $order) {
            $row = $this->order($order, $result->structure);
            ($row['moved'] > 0 || $row['lateAfter'] > 0 || $row['lateBefore'] > 0) && $orders[] = $row;
        }
        usort($orders, fn (array $a, array $b) => [$b['lateAfter'], $b['lateBefore'], abs($b['shift']), $a['reference']]
            <=> [$a['lateAfter'], $a['lateBefore'], abs($a['shift']), $b['reference']]);

        $there = array_map(fn (ScheduledOrder $order) => $order->supply->name, $result->orders);

        return [
            'figures' => $figures, 'totals' => $effect->figures,
            'lines' => array_map(
                fn (ArrivalChange $change) => get_object_vars($presenter->arrivalChange($change)), array_slice($lines, 0, self::MOST),
            ),
            'lineCount' => count($lines), 'orders' => array_slice($orders, 0, self::MOST), 'orderCount' => count($orders),
            'without' => $result->givenUp, 'displaced' => $result->displaced, 'kept' => $kept,
            'absent' => array_values(array_filter(
                $this->asked,
                fn (string $code) => ! in_array($code, $there, true) && ! isset($result->givenUp[(string) Reference::order($code)]),
            )),
        ];
    }

    /** @return array{reference: string, item: string, name: string, site: string, qty: string, unit: string, due: string, startBefore: string|null, endBefore: string|null, startAfter: string, endAfter: string, lateBefore: int, lateAfter: int, shift: int, moved: int, operations: int, centre: string|null, waitsFor: string|null} */
    private function order(ScheduledOrder $order, Structure $structure): array
    {
        $supply = $order->supply;
        $before = $this->stood[$supply->reference()] ?? null;
        $item = $this->network->items[$order->item];

        return [
            'reference' => $supply->reference(), 'item' => $item->code, 'name' => $item->name, 'site' => $order->site,
            'qty' => Quantity::format($supply->qty), 'unit' => $item->unit, 'due' => Day::format($order->latest),
            'startBefore' => $before['start'] ?? null, 'endBefore' => $before['end'] ?? null,
            'startAfter' => Minute::format($order->start()), 'endAfter' => Minute::format($order->end),
            'lateBefore' => $before['late'] ?? 0, 'lateAfter' => $order->lateDays(),
            'shift' => $before === null ? 0 : $order->end - Minute::parse($before['end']),
            'moved' => count(array_udiff_assoc(
                self::places($order), $before['places'] ?? [], fn (array $a, array $b) => $a <=> $b,
            )),
            'operations' => count($order->places), 'centre' => $supply->noCapacityAt,
            'waitsFor' => $supply->waitsFor === null ? null : $structure->points[$supply->waitsFor->point]->item->code,
        ];
    }

    /** @return list<array{string, list<int>, int}> */
    private static function places(ScheduledOrder $order): array
    {
        return array_map(fn (ShopPlace $place) => [$place->workCentre, $place->units, $place->start], $order->places);
    }
}
