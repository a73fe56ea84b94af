<?php

declare(strict_types=1);

namespace App\Documents;

use App\Models\Order;
use App\Planning\NetworkReader;
use App\Support\Refused;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\OperationRows;

/** What goes with a production order through the shop: its components and, one after the other, what is done to it. */
final readonly class OrderSheet
{
    /** @param  list<SheetStep>  $steps */
    private function __construct(public PickList $list, public array $steps)
    {
    }

    /**
     * @return list<self> one for each line that is open
     *
     * @throws Refused when it is none of production, or is over
     */
    public static function of(Order $order, NetworkReader $reader): array
    {
        $network = $reader->read();

        return array_map(fn (PickList $list) => new self($list, self::steps($network, $list->code)), PickList::of($order, $reader));
    }

    /** @return list<SheetStep> none for what is made without a work centre */
    private static function steps(Network $network, string $code): array
    {
        try {
            $rows = OperationRows::of($network, $code);
        } catch (DoesNotFit) {
            return [];
        }

        return array_map(fn (OrderOperation $row) => new SheetStep(
            op: $row->op, centre: $row->workCentre, name: $network->workCentres[$row->workCentre]->name, setup: $row->setup, run: $row->run,
            done: $row->done, start: $row->start, end: $row->end,
        ), $rows);
    }
}
