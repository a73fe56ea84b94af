<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Stock;
use Yposta\Core\Options;
use Yposta\Core\Structure\StructureBuilder;

/** The component rows that an open production order takes from the structure, written out (section 4). */
final class OrderRows
{
    /**
     * @return list<OrderComponent>
     *
     * @throws DoesNotFit when there is no such order
     */
    public static function of(Network $network, string $code): array
    {
        $order = $network->orders[$code] ?? throw new DoesNotFit("there is no open order {$code}");
        if ($order->kind !== OrderKind::Make) {
            return [];
        }
        $lines = self::linesBelow($network, $order->item);
        $key = Network::key($order->item, $order->site);
        $planning = $network->planning[$key] ?? null;
        $only = $network->with(
            planning: $planning === null ? [] : [$key => $planning], bom: $lines, substitutes: [], stock: [new Stock($order->item, $order->site, 0)],
            forecasts: [], sales: [], orders: [$code => $order], components: [], allocations: [],
        );
        $structure = (new StructureBuilder($only, new Options($order->due)))->build();
        $point = $structure->points[$structure->indexes[$key]];
        $start = $order->start ?? $point->calendar->back($order->due, $point->makeLead);
        $rows = [];
        foreach ($structure->components[$point->index] ?? [] as $line) {
            if ($line->validOn($start)) {
                $rows[] = new OrderComponent($code, $line->line, $line->item, $line->requirement($order->open()), 0, $start);
            }
        }

        return $rows;
    }

    /** @return list<BomLine> the lines of an item and of the phantoms below it */
    private static function linesBelow(Network $network, string $item): array
    {
        $lines = [];
        $wanted = [$item => true];
        for ($frontier = [$item => true]; $frontier !== [];) {
            $next = [];
            foreach ($network->bom as $line) {
                if (isset($frontier[$line->item])) {
                    $lines[] = $line;
                    if ($network->items[$line->component]->phantom && ! isset($wanted[$line->component])) {
                        $wanted[$line->component] = $next[$line->component] = true;
                    }
                }
            }
            $frontier = $next;
        }

        return $lines;
    }
}
