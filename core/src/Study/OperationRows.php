<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Brick\Math\BigInteger;
use Yposta\Core\Capacity\Routings;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Quantity\Quantity;

/** The operation rows of an open production order: its own, or those of its item written out. */
final class OperationRows
{
    /** Millionths of a percent: the speed of the own centre. */
    private const WHOLE = 100 * Quantity::ONE;

    /** @return list<OrderOperation> the rows that an order has of its own, by number */
    public static function own(Network $network, string $code): array
    {
        $own = array_values(array_filter($network->orderOperations, fn (OrderOperation $row) => $row->order === $code));
        usort($own, fn (OrderOperation $a, OrderOperation $b) => $a->op <=> $b->op);

        return $own;
    }

    /**
     * @return non-empty-list<OrderOperation> by number
     *
     * @throws DoesNotFit when there is no such order, or it has no operations
     */
    public static function of(Network $network, string $code): array
    {
        $order = $network->orders[$code] ?? throw DoesNotFit::because('no_order', ['order' => $code]);
        $rows = self::own($network, $code);
        if ($rows === [] && $order->kind === OrderKind::Make) {
            $master = (new Routings($network))->of($order->item, $order->site);
            $rows = array_map(fn (Operation $row) => self::writtenOut($code, $row), $master);
        }

        return $rows === [] ? throw DoesNotFit::because('no_operations', ['order' => $code]) : $rows;
    }

    /**
     * @return OrderOperation one of them
     *
     * @throws DoesNotFit when it has none of that number
     */
    public static function one(Network $network, string $code, int $op): OrderOperation
    {
        foreach (self::of($network, $code) as $row) {
            if ($row->op === $op) {
                return $row;
            }
        }
        throw DoesNotFit::because('no_such_operation', ['order' => $code, 'op' => $op]);
    }

    /**
     * The network with another row of an operation; the others of the order are written out with it.
     *
     * @throws DoesNotFit
     */
    public static function put(Network $network, OrderOperation $changed): Network
    {
        return self::replace($network, $changed->order, array_map(
            fn (OrderOperation $row) => $row->op === $changed->op ? $changed : $row, self::of($network, $changed->order),
        ));
    }

    /** @param  list<OrderOperation>  $rows */
    public static function replace(Network $network, string $code, array $rows): Network
    {
        return $network->with(orderOperations: [
            ...array_values(array_filter($network->orderOperations, fn (OrderOperation $row) => $row->order !== $code)), ...$rows,
        ]);
    }

    /**
     * An operation as it is done at another centre: its minutes there are those of the row, as a row knows no speed. Rounded down to
     * millionths of a minute.
     *
     * @throws DoesNotFit when it cannot be done there
     */
    public static function at(Network $network, OrderOperation $row, string $centre): OrderOperation
    {
        if ($row->workCentre === $centre) {
            return $row;
        }
        isset($network->workCentres[$centre]) || throw DoesNotFit::because('no_centre', ['centre' => $centre]);
        $order = $network->orders[$row->order];
        $like = null;
        foreach ((new Routings($network))->of($order->item, $order->site) as $one) {
            $one->op === $row->op && $like = $one;
        }
        $speed = $like === null ? null : self::speeds($network, $like)[$centre] ?? null;
        $speed ?? throw DoesNotFit::because('not_done_there', ['order' => $row->order, 'op' => $row->op, 'centre' => $centre]);
        $own = $like->workCentre === $row->workCentre ? self::WHOLE : self::speeds($network, $like)[$row->workCentre] ?? self::WHOLE;

        return $row->with(
            workCentre: $centre, setup: self::scaled($row->setup, $own, $speed), run: self::scaled($row->run, $own, $speed),
            start: null, end: null, units: null, fixed: false,
        );
    }

    /** @return array<string, int> centres at which an operation can be done, its own with 100 %, by code, in millionths of a percent */
    public static function speeds(Network $network, Operation $row): array
    {
        $speeds = [$row->workCentre => self::WHOLE];
        foreach ($network->alternatives as $other) {
            if ([$other->item, $other->site ?? '', $other->op] === [$row->item, $row->site ?? '', $row->op]) {
                $speeds[$other->workCentre] ??= $other->speed;
            }
        }

        return $speeds;
    }

    /** An operation of an item as one of an order of it; its run time for one piece is rounded down to millionths of a minute. */
    public static function writtenOut(string $code, Operation $row): OrderOperation
    {
        return OrderOperation::of(
            order: $code, op: $row->op, workCentre: $row->workCentre, setup: $row->setup,
            run: self::scaled($row->run, Quantity::ONE, $row->baseQty), crew: $row->crew,
        );
    }

    private static function scaled(int $value, int $factor, int $divisor): int
    {
        return BigInteger::of($value)->multipliedBy($factor)->quotient($divisor)->toInt();
    }
}
