<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderOperation;

/** Gives an open production order these operation rows; none leaves them to its item. */
final readonly class PutOperations implements OfOrder
{
    use OrderChange;

    /** @param  list<OrderOperation>  $rows */
    public function __construct(public string $order, #[RowsOf(OrderOperation::class)] public array $rows)
    {
    }

    /** What the order has in a network. */
    public static function in(Network $network, string $order): self
    {
        return new self($order, OperationRows::own($network, $order));
    }

    public function apply(Network $network): Network
    {
        self::order($network, $this->order);
        foreach ($this->rows as $row) {
            $row->order === $this->order || throw DoesNotFit::because('rows_of_another', ['order' => $this->order]);
        }

        return OperationRows::replace($network, $this->order, $this->rows);
    }

    public function inverse(Network $before): array
    {
        return [self::in($before, $this->order)];
    }
}
