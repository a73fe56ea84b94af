<?php

declare(strict_types=1);

namespace App\Documents;

use App\Models\Order;
use App\Planning\NetworkReader;
use App\Support\Refused;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\OperationRows;
use Yposta\Core\Study\OrderRows;

/**
 * Labels of an order: of production, the material that is held for it, or that it still needs where nothing is held; of other orders, what
 * comes with it, for whom it is held, and the rest for the stock.
 */
final class LabelSheet
{
    /**
     * @return non-empty-list<Label>
     *
     * @throws Refused when the order is over, or needs nothing
     */
    public static function of(Order $order, NetworkReader $reader): array
    {
        $network = $reader->read();
        $labels = [];
        foreach ($order->lines()->where('cancelled', false)->get() as $line) {
            $own = $network->orders[$line->code] ?? null;
            $own === null || array_push($labels, ...($order->kind === 'make' ? self::parts($network, $own) : self::coming($network, $own)));
        }

        return $labels === [] ? throw Refused::because('paper.no_labels', ['order' => $order->code], 'over') : $labels;
    }

    /** @return list<Label> */
    private static function parts(Network $network, OpenOrder $order): array
    {
        $labels = [];
        $rows = OrderRows::own($network, $order->code) ?: OrderRows::of($network, $order->code);
        $place = self::place($network, $order);
        foreach (array_filter($rows, fn (OrderComponent $row) => $row->open() > 0) as $row) {
            $held = 0;
            foreach ($network->allocations as $hold) {
                $held += $hold->demand === (string) Reference::part($order->code, $row->line)
                    && $hold->supply === (string) Reference::stock($row->item, $order->site) ? $hold->qty : 0;
            }
            $item = $network->items[$row->item];
            $labels[] = new Label($item->code, $item->name, $held === 0 ? $row->open() : $held, $item->unit, $order->code, $place);
        }

        return $labels;
    }

    /** @return list<Label> */
    private static function coming(Network $network, OpenOrder $order): array
    {
        $item = $network->items[$order->item];
        $left = $order->open();
        $labels = [];
        foreach ($network->allocations as $hold) {
            if ($hold->supply !== (string) $order->reference()) {
                continue;
            }
            $for = Reference::parse($hold->demand);
            $maker = $for->kind === ReferenceKind::Part ? $network->orders[$for->orders()[0] ?? ''] ?? null : null;
            $labels[] = new Label(
                $item->code, $item->name, $hold->qty, $item->unit, $maker->code ?? $for->name,
                $maker === null ? $network->sites[$order->site]->name : self::place($network, $maker),
            );
            $left -= $hold->qty;
        }
        $left > 0 && $labels[] = new Label($item->code, $item->name, $left, $item->unit, '', $network->sites[$order->site]->name);

        return $labels;
    }

    /** The work centre of the first operation that is not done, else the site. */
    private static function place(Network $network, OpenOrder $order): string
    {
        try {
            foreach (OperationRows::of($network, $order->code) as $row) {
                if ($row->done < $order->qty) {
                    return $network->workCentres[$row->workCentre]->name;
                }
            }
        } catch (DoesNotFit) {
            return $network->sites[$order->site]->name;
        }

        return $network->sites[$order->site]->name;
    }

    /** What is in the bar code of a label: item, quantity and order. */
    public static function coded(Label $label): string
    {
        return implode('|', array_filter([$label->item, Quantity::format($label->qty), $label->order], fn (string $part) => $part !== ''));
    }
}
