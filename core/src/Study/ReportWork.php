<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;

/**
 * What was done of an operation of an open order: so many good pieces more, and since when it runs. It goes on from there; what lies behind
 * does not change.
 */
final readonly class ReportWork implements OfOrder
{
    use OrderChange;

    /**
     * @param  int  $qty  millionths; 0 where it has only been started
     * @param  string|null  $start  `YYYY-MM-DD HH:MM` since when it runs; null leaves its place as it is
     */
    public function __construct(
        public string $order,
        public int $op,
        #[Column(new Decimal)] public int $qty,
        #[Column(new Instant)] public ?string $start = null,
    ) {
    }

    public function apply(Network $network): Network
    {
        $order = self::order($network, $this->order);
        $row = OperationRows::one($network, $this->order, $this->op);
        $left = $order->qty - $row->done;
        $decimals = $network->items[$order->item]->decimals;
        $left > 0 || throw DoesNotFit::because('operation_over', ['order' => $this->order, 'op' => $this->op]);
        $this->qty >= 0 || throw DoesNotFit::because('reported_less');
        Quantity::fits($this->qty, $decimals) || throw DoesNotFit::because('decimals', ['item' => $order->item, 'decimals' => $decimals]);
        $this->qty <= $left || throw DoesNotFit::because('reported_more', [
            'order' => $this->order, 'op' => $this->op, 'left' => new Amount($left, $network->items[$order->item]->unit),
        ]);
        $units = $row->unitNumbers() === [] ? implode(';', range(1, $row->crew)) : $row->units;

        return OperationRows::put($network, $this->start === null
            ? $row->with(done: $row->done + $this->qty)
            : $row->with(done: $row->done + $this->qty, start: $this->start, end: null, units: $units));
    }

    public function inverse(Network $before): array
    {
        return [PutOperations::in($before, $this->order)];
    }
}
