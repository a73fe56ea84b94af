<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Stock;
use Yposta\Core\Options\Options;
use Yposta\Core\Structure\OwnStructure;
use Yposta\Core\Structure\StructureBuilder;

/** The component rows that an open production order takes from the structure, written out (section 4). */
final class OrderRows
{
    /** @return list<OrderComponent> the rows that an order has of its own */
    public static function own(Network $network, string $code): array
    {
        return array_values(array_filter($network->components, fn (OrderComponent $row) => $row->order === $code));
    }

    /**
     * @return list<OrderComponent>
     *
     * @throws DoesNotFit when there is no such order
     */
    public static function of(Network $network, string $code): array
    {
        $order = $network->orders[$code] ?? throw DoesNotFit::because('no_order', ['order' => $code]);
        if ($order->kind !== OrderKind::Make) {
            return [];
        }
        $lines = OwnStructure::of($network, $order->item);
        $key = Network::key($order->item, $order->site);
        $planning = $network->planning[$key] ?? null;
        $only = $network->with(
            planning: $planning === null ? [] : [$key => $planning], bom: $lines, substitutes: [],
            stock: [Stock::of(item: $order->item, site: $order->site, qty: 0)],
            forecasts: [], sales: [], orders: [$code => $order], components: [], allocations: [],
        );
        $structure = (new StructureBuilder($only, Options::of(planDate: $order->due)))->build();
        $point = $structure->points[$structure->indexes[$key]];
        $start = $order->start ?? $point->calendar->back($order->due, $point->makeLeadFor($order->qty));
        $rows = [];
        foreach ($structure->components[$point->index] ?? [] as $line) {
            if ($line->validOn($start)) {
                $rows[] = OrderComponent::of(
                    order: $code,
                    line: $line->line,
                    item: $line->item,
                    qty: $line->requirement($order->open()),
                    need: $start,
                );
            }
        }

        return $rows;
    }
}
