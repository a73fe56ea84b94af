<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;

/**
 * Leaves a part of an open order as it is and puts the rest into a second order with a later date. What has been received and issued stays
 * with the first.
 */
final readonly class SplitOrder implements OfOrder
{
    use OrderChange;

    /**
     * @param  int  $qty  what the first order keeps, millionths
     * @param  int  $due  of the rest
     * @param  string  $rest  code of the second order
     */
    public function __construct(
        public string $order,
        #[Column(new Decimal)] public int $qty,
        #[Column(new DayColumn)] public int $due,
        public string $rest,
    ) {
    }

    public function apply(Network $network): Network
    {
        $old = self::order($network, $this->order);
        if ($this->qty <= 0 || $this->qty >= $old->qty) {
            throw DoesNotFit::because('split', ['order' => $this->order, 'qty' => new Amount($old->qty), 'kept' => new Amount($this->qty)]);
        }
        if (isset($network->orders[$this->rest])) {
            throw DoesNotFit::because('order_exists', ['order' => $this->rest]);
        }
        $rows = self::rows($network, $this->order);
        $network = (new ResizeOrder($this->order, $this->qty))->apply($network);
        $rest = $old->with(code: $this->rest, qty: $old->qty - $this->qty, received: 0, finishBy: null);
        $network = self::put($network, $rest);
        if ($rows !== []) {
            $kept = [];
            foreach (self::rows($network, $this->order) as $row) {
                $kept[$row->line] = $row->qty;
            }
            $network = self::putRows(
                $network,
                $this->rest,
                array_map(fn ($row) => $row->with(order: $this->rest, qty: max(0, $row->qty - ($kept[$row->line] ?? 0)), issued: 0), $rows),
            );
        }

        return (new MoveOrder($this->rest, $this->due))->apply($network);
    }

    public function inverse(Network $before): array
    {
        return [new CancelOrder($this->rest), ...(new ResizeOrder($this->order, $this->qty))->inverse($before)];
    }
}
