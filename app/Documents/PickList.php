<?php

declare(strict_types=1);

namespace App\Documents;

use App\Models\Order;
use App\Planning\NetworkReader;
use App\Support\Refused;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Study\StockRows;

/** What is to be taken from stock for a production order. */
final readonly class PickList
{
    /** @param  list<PickPart>  $parts */
    private function __construct(
        public string $code,
        public string $item,
        public string $name,
        public string $unit,
        public int $qty,
        public string $site,
        public string $start,
        public string $due,
        public array $parts,
    ) {
    }

    /**
     * @return list<self> one for each line that is open
     *
     * @throws Refused when it is none of production, or is over
     */
    public static function of(Order $order, NetworkReader $reader): array
    {
        $order->kind === 'make' || throw Refused::because('paper.no_production', ['order' => $order->code], 'kind');
        $network = $reader->read();
        $lists = [];
        foreach ($order->lines()->with('item')->where('cancelled', false)->get() as $line) {
            isset($network->orders[$line->code]) && $lists[] = new self(
                code: $line->code, item: $line->item_code, name: (string) $line->item?->name, unit: (string) $line->item?->unit,
                qty: $line->qty, site: $order->site_code, start: substr($line->start ?? '', 0, 10), due: substr($line->due, 0, 10),
                parts: array_map(
                    fn (OrderComponent $row) => self::part($network, $row, $order->site_code),
                    OrderRows::own($network, $line->code) ?: OrderRows::of($network, $line->code),
                ),
            );
        }
        $lists !== [] || throw Refused::because('paper.over', ['order' => $order->code], 'over');

        return $lists;
    }

    private static function part(Network $network, OrderComponent $row, string $site): PickPart
    {
        $item = $network->items[$row->item];
        [$demand, $supply] = [(string) Reference::part($row->order, $row->line), (string) Reference::stock($row->item, $site)];
        $held = 0;
        foreach ($network->allocations as $hold) {
            $held += $hold->supply === $supply && $hold->demand === $demand ? $hold->qty : 0;
        }

        return new PickPart(
            line: $row->line, item: $row->item, name: $item->name, unit: $item->unit, qty: $row->qty, issued: $row->issued,
            open: $row->open(), there: StockRows::of($network, $row->item, $site) ?? 0, held: $held,
        );
    }
}
