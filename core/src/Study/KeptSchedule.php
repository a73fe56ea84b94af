<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\ProposalOperation;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Scheduling\ScheduledOrder;

/** A schedule as changes of what stands in it, to be kept. */
final class KeptSchedule
{
    /**
     * @param  list<ScheduledOrder>  $scheduled  with proposals
     * @return list<PutOperations|PlaceProposals> of what stands elsewhere than it did
     *
     * @throws DoesNotFit when an order is gone, or an operation cannot be done where it stands
     */
    public static function changes(Network $network, array $scheduled): array
    {
        $changes = $proposals = [];
        foreach ($scheduled as $order) {
            $supply = $order->supply;
            if ($supply->isProposal()) {
                array_push($proposals, ...self::ofProposal($order));
            } else {
                $rows = self::ofOrder($network, $order);
                $rows == OperationRows::own($network, $supply->name) || $changes[] = new PutOperations($supply->name, $rows);
            }
        }

        return $proposals == $network->proposalOperations ? $changes : [...$changes, new PlaceProposals($proposals)];
    }

    /** @return list<OrderOperation> */
    private static function ofOrder(Network $network, ScheduledOrder $order): array
    {
        $placed = array_column($order->places, null, 'op');

        return array_map(function (OrderOperation $row) use ($network, $placed): OrderOperation {
            $place = $placed[$row->op] ?? null;

            return $place === null ? $row : OperationRows::at($network, $row, $place->workCentre)->with(
                start: Minute::format($place->start), end: Minute::format($place->end), units: implode(';', $place->units),
            );
        }, OperationRows::of($network, $order->supply->name));
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
