<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Stock;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;

/** Takes from stock and puts into it. What is held for somebody is not taken for another, and no stock falls below zero. */
final class StockRows
{
    /** What there is, in millionths; null where there is no row of it. */
    public static function of(Network $network, string $item, string $site): ?int
    {
        foreach ($network->stock as $row) {
            if ($row->item === $item && $row->site === $site) {
                return $row->qty;
            }
        }

        return null;
    }

    /**
     * @param  int  $qty  millionths, above 0
     *
     * @throws DoesNotFit when it is nothing, or finer than the item is counted
     */
    public static function checkAmount(Network $network, string $item, int $qty): void
    {
        $row = $network->items[$item] ?? throw DoesNotFit::because('no_item', ['item' => $item]);
        $qty > 0 || throw DoesNotFit::because('moved_nothing', ['item' => $item]);
        Quantity::fits($qty, $row->decimals) || throw DoesNotFit::because('decimals', ['item' => $item, 'decimals' => $row->decimals]);
        SoundChange::checkAmount($item, $qty);
    }

    /** @param  int  $qty  millionths, above 0 */
    public static function add(Network $network, string $item, string $site, int $qty): Network
    {
        self::checkAmount($network, $item, $qty);
        $stock = $network->stock;
        foreach ($stock as $place => $row) {
            if ($row->item === $item && $row->site === $site) {
                $stock[$place] = $row->with(qty: Quantity::checked($row->qty + $qty));

                return $network->with(stock: $stock);
            }
        }

        return $network->with(stock: [...$stock, Stock::of(item: $item, site: $site, qty: $qty)]);
    }

    /**
     * @param  int  $qty  millionths, above 0
     * @param  string  $for  the demand that it is taken for; what is held for that becomes less by as much
     *
     * @throws DoesNotFit when there is less than that, or the rest is held for others
     */
    public static function take(Network $network, string $item, string $site, int $qty, string $for = ''): Network
    {
        self::checkAmount($network, $item, $qty);
        $supply = (string) Reference::stock($item, $site);
        $there = self::of($network, $item, $site) ?? 0;
        $amount = fn (int $millionths) => new Amount($millionths, $network->items[$item]->unit);
        $qty <= $there || throw DoesNotFit::because('not_in_stock', ['item' => $item, 'site' => $site, 'qty' => $amount($qty), 'there' => $amount($there)]);
        $held = $network->allocations;
        $others = 0;
        $holders = [];
        $left = $qty;
        foreach ($held as $place => $row) {
            if ($row->supply === $supply && $row->demand === $for) {
                $used = min($left, $row->qty);
                $left -= $used;
                $held[$place] = $used === $row->qty ? null : $row->with(qty: $row->qty - $used);
            } elseif ($row->supply === $supply) {
                $others += $row->qty;
                $holders[] = HoldSupply::named($row->demand);
            }
        }
        $free = $there - $others;
        $qty <= $free || throw DoesNotFit::because('held_for_others', [
            'item' => $item, 'site' => $site, 'qty' => $amount($qty), 'free' => $amount(max(0, $free)), 'holders' => $holders,
        ]);

        return $network->with(
            stock: array_map(
                fn (Stock $row) => $row->item === $item && $row->site === $site ? $row->with(qty: $row->qty - $qty) : $row, $network->stock,
            ),
            allocations: array_values(array_filter($held)),
        );
    }

    /** What is held of an order beyond what is still to come of it has come with the rest: it is held in stock from then on. */
    public static function moveHolds(Network $network, string $order): Network
    {
        $own = $network->orders[$order];
        $supply = (string) Reference::order($order);
        $stock = (string) Reference::stock($own->item, $own->site);
        $open = $own->open();
        $held = [];
        $moved = [];
        foreach ($network->allocations as $row) {
            if ($row->supply !== $supply) {
                $held[] = $row;

                continue;
            }
            $stays = min($open, $row->qty);
            $open -= $stays;
            $stays > 0 && $held[] = $row->with(qty: $stays);
            $row->qty > $stays && $moved[$row->demand] = ($moved[$row->demand] ?? 0) + $row->qty - $stays;
        }
        if ($moved === []) {
            return $network;
        }
        foreach ($held as $place => $row) {
            if ($row->supply === $stock && isset($moved[$row->demand])) {
                $held[$place] = $row->with(qty: $row->qty + $moved[$row->demand]);
                unset($moved[$row->demand]);
            }
        }
        foreach ($moved as $demand => $qty) {
            $held[] = Allocation::of(demand: (string) $demand, supply: $stock, qty: $qty);
        }

        return $network->with(allocations: $held);
    }

    /**
     * What brings holds back to what they were.
     *
     * @return list<Change>
     */
    public static function holdsBack(Network $before, Network $after): array
    {
        return $before->allocations == $after->allocations ? [] : [new PutAllocations($before->allocations)];
    }
}
