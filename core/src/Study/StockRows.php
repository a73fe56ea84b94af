<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Stock;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;

/**
 * Takes from stock and puts into it. What is held for somebody is not taken for another. No stock falls below zero: where it is said that
 * more is there than the books have, the rest is owed, and what comes next makes good for it.
 */
final class StockRows
{
    /** What there is, in millionths; null where there is no row of it. */
    public static function of(Network $network, string $item, string $site): ?int
    {
        return self::row($network, $item, $site)?->qty;
    }

    public static function row(Network $network, string $item, string $site): ?Stock
    {
        foreach ($network->stock as $row) {
            if ($row->item === $item && $row->site === $site) {
                return $row;
            }
        }

        return null;
    }

    /** What was taken beyond what the books had, in millionths. */
    public static function owed(Network $network, string $item, string $site): int
    {
        return self::row($network, $item, $site)->owed ?? 0;
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
        $row = self::row($network, $item, $site) ?? Stock::of(item: $item, site: $site, qty: 0);
        $owed = min($row->owed, $qty);

        return self::put($network, $row->with(qty: Quantity::checked($row->qty + $qty - $owed), owed: $row->owed - $owed));
    }

    /** @param  int  $qty  millionths, above 0, that nobody may use */
    public static function addBlocked(Network $network, string $item, string $site, int $qty): Network
    {
        self::checkAmount($network, $item, $qty);
        $row = self::row($network, $item, $site) ?? Stock::of(item: $item, site: $site, qty: 0);

        return self::put($network, $row->with(blocked: Quantity::checked($row->blocked + $qty)));
    }

    /**
     * @param  int  $qty  millionths, above 0
     *
     * @throws DoesNotFit when less is blocked
     */
    public static function takeBlocked(Network $network, string $item, string $site, int $qty): Network
    {
        self::checkAmount($network, $item, $qty);
        $row = self::row($network, $item, $site);
        $there = $row->blocked ?? 0;
        $unit = $network->items[$item]->unit;
        $row !== null && $qty <= $there || throw DoesNotFit::because('not_blocked', [
            'item' => $item, 'site' => $site, 'qty' => new Amount($qty, $unit), 'there' => new Amount($there, $unit),
        ]);

        return self::put($network, $row->with(blocked: $there - $qty));
    }

    /** The same with the row of an item at a site as it has become. */
    private static function put(Network $network, Stock $new): Network
    {
        $stock = $network->stock;
        foreach ($stock as $place => $row) {
            if ($row->item === $new->item && $row->site === $new->site) {
                $stock[$place] = $new;

                return $network->with(stock: $stock);
            }
        }

        return $network->with(stock: [...$stock, $new]);
    }

    /**
     * @param  int  $qty  millionths, above 0
     * @param  string  $for  the demand that it is taken for; what is held for that becomes less by as much
     * @param  bool  $below  whether more may be taken than the books have, where nothing of it is held for others
     *
     * @throws DoesNotFit when there is less than that, or the rest is held for others
     */
    public static function take(Network $network, string $item, string $site, int $qty, string $for = '', bool $below = false): Network
    {
        self::checkAmount($network, $item, $qty);
        $supply = (string) Reference::stock($item, $site);
        $there = self::of($network, $item, $site) ?? 0;
        $amount = fn (int $millionths) => new Amount($millionths, $network->items[$item]->unit);
        $below || $qty <= $there || throw DoesNotFit::because('not_in_stock', ['item' => $item, 'site' => $site, 'qty' => $amount($qty), 'there' => $amount($there)]);
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
        $qty <= $free || ($below && $others === 0) || throw DoesNotFit::because('held_for_others', [
            'item' => $item, 'site' => $site, 'qty' => $amount($qty), 'free' => $amount(max(0, $free)), 'holders' => $holders,
        ]);

        $row = self::row($network, $item, $site) ?? Stock::of(item: $item, site: $site, qty: 0);
        $beyond = max(0, $qty - $row->qty);

        return self::put($network, $row->with(qty: $row->qty - $qty + $beyond, owed: Quantity::checked($row->owed + $beyond)))
            ->with(allocations: array_values(array_filter($held)));
    }

    /** What is held of an order beyond what is still to come of it is held no more. */
    public static function dropHolds(Network $network, string $order): Network
    {
        $open = $network->orders[$order]->open();
        $supply = (string) Reference::order($order);
        $held = [];
        foreach ($network->allocations as $row) {
            $stays = $row->supply === $supply ? min($open, $row->qty) : $row->qty;
            $open -= $row->supply === $supply ? $stays : 0;
            $stays > 0 && $held[] = $stays === $row->qty ? $row : $row->with(qty: $stays);
        }

        return $held === $network->allocations ? $network : $network->with(allocations: $held);
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

    /** @return list<Allocation> what is held but for a need */
    public static function heldForOthers(Network $network, string $demand): array
    {
        $others = array_values(array_filter($network->allocations, fn (Allocation $row) => $row->demand !== $demand));

        return count($others) === count($network->allocations) ? $network->allocations : $others;
    }

    /** Nothing is held beyond what there is; who came last loses it. */
    public static function trimHolds(Network $network, string $item, string $site): Network
    {
        $supply = (string) Reference::stock($item, $site);
        $left = self::of($network, $item, $site) ?? 0;
        $held = [];
        foreach ($network->allocations as $row) {
            $stays = $row->supply === $supply ? min($left, $row->qty) : $row->qty;
            $left -= $row->supply === $supply ? $stays : 0;
            $stays > 0 && $held[] = $stays === $row->qty ? $row : $row->with(qty: $stays);
        }

        return $held === $network->allocations ? $network : $network->with(allocations: $held);
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
