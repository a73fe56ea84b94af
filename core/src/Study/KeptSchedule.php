<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Network;
use Yposta\Core\Run\ShopPlace;

/** A schedule as changes of the orders in it, to be kept. Proposals are no orders yet and keep no place. */
final class KeptSchedule
{
    /**
     * @param  array<string, list<ShopPlace>>  $places  of the operations of an order, by its code
     * @return list<PutOperations> of the orders that stand elsewhere than they did
     *
     * @throws DoesNotFit when an order is gone, or an operation cannot be done where it stands
     */
    public static function changes(Network $network, array $places): array
    {
        $changes = [];
        foreach ($places as $order => $ofOrder) {
            $placed = array_column($ofOrder, null, 'op');
            $rows = OperationRows::of($network, (string) $order);
            foreach ($rows as $number => $row) {
                $place = $placed[$row->op] ?? null;
                $place === null || $rows[$number] = OperationRows::at($network, $row, $place->workCentre)->with(
                    start: Minute::format($place->start), end: Minute::format($place->end), units: implode(';', $place->units),
                );
            }
            $rows == OperationRows::own($network, (string) $order) || $changes[] = new PutOperations((string) $order, $rows);
        }

        return $changes;
    }
}
