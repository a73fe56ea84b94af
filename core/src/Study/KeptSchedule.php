<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Routings;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\ProposalOperation;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Scheduling\ScheduledOrder;

/** A schedule as changes of what stands in it, to be kept. */
final class KeptSchedule
{
    /**
     * @param  list<ScheduledOrder>  $scheduled  with proposals
     * @return list<PlaceOrders|PlaceProposals> of what stands elsewhere than it did
     *
     * @throws DoesNotFit when an operation cannot be done where it stands
     */
    public static function changes(Network $network, array $scheduled): array
    {
        $orders = $rows = $proposals = [];
        $routings = new Routings($network);
        foreach ($scheduled as $order) {
            if ($order->supply->isProposal()) {
                array_push($proposals, ...self::ofProposal($order));

                continue;
            }
            $before = $routings->ofOrderRows($order->supply->name);
            $after = self::ofOrder($network, $order, $before === [] ? self::writtenOut($routings, $order) : $before);
            if ($after != $before) {
                $orders[] = $order->supply->name;
                array_push($rows, ...$after);
            }
        }

        return [
            ...($orders === [] ? [] : [new PlaceOrders($orders, $rows)]),
            ...($proposals == $network->proposalOperations ? [] : [new PlaceProposals($proposals)]),
        ];
    }

    /** @return list<OrderOperation> those of its item */
    private static function writtenOut(Routings $routings, ScheduledOrder $order): array
    {
        return array_map(
            fn (Operation $row) => OperationRows::writtenOut($order->supply->name, $row), $routings->of($order->item, $order->site),
        );
    }

    /**
     * @param  list<OrderOperation>  $rows  that it has
     * @return list<OrderOperation> where the schedule has them
     */
    private static function ofOrder(Network $network, ScheduledOrder $order, array $rows): array
    {
        $placed = array_column($order->places, null, 'op');

        return array_map(function (OrderOperation $row) use ($network, $placed): OrderOperation {
            $place = $placed[$row->op] ?? null;

            return $place === null ? $row : OperationRows::at($network, $row, $place->workCentre)->with(
                start: Minute::format($place->start), end: Minute::format($place->end), units: implode(';', $place->units),
            );
        }, $rows);
    }

    /** @return list<ProposalOperation> */
    private static function ofProposal(ScheduledOrder $order): array
    {
        return array_map(fn (ShopPlace $place) => ProposalOperation::of(
            item: $order->item, site: $order->site, due: $order->supply->due, number: $order->number, op: $place->op,
            workCentre: $place->workCentre, units: implode(';', $place->units), start: Minute::format($place->start),
        ), $order->places);
    }
}
