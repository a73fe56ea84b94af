<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderOperation;

/** Gives many open production orders at once the operation rows that they have in a schedule; those without leave them to their item. */
final readonly class PlaceOrders implements Change
{
    /**
     * @param  list<string>  $orders  codes
     * @param  list<OrderOperation>  $rows  of these orders
     */
    public function __construct(public array $orders, #[RowsOf(OrderOperation::class)] public array $rows)
    {
    }

    public function apply(Network $network): Network
    {
        $own = array_fill_keys($this->orders, true);
        foreach ($this->orders as $order) {
            isset($network->orders[$order]) || throw DoesNotFit::because('no_order', ['order' => $order]);
        }
        foreach ($this->rows as $row) {
            isset($own[$row->order]) || throw DoesNotFit::because('rows_of_another', ['order' => $row->order]);
        }

        return $network->with(orderOperations: [
            ...array_values(array_filter($network->orderOperations, fn (OrderOperation $row) => ! isset($own[$row->order]))),
            ...$this->rows,
        ]);
    }

    public function inverse(Network $before): array
    {
        $own = array_fill_keys($this->orders, true);

        return [new self($this->orders, array_values(array_filter(
            $before->orderOperations, fn (OrderOperation $row) => isset($own[$row->order]),
        )))];
    }
}
