<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;

/** Finds and replaces open orders. */
trait OrderChange
{
    public function orderCode(): string
    {
        return $this->order;
    }

    /** @throws DoesNotFit */
    private static function order(Network $network, string $code): OpenOrder
    {
        return $network->orders[$code] ?? throw DoesNotFit::because('no_order', ['order' => $code]);
    }

    /** @throws DoesNotFit when there is no such order, or it is not one of production */
    private static function produced(Network $network, string $code): OpenOrder
    {
        $order = self::order($network, $code);

        return $order->kind === OrderKind::Make ? $order : throw DoesNotFit::because('not_produced', ['order' => $code]);
    }

    private static function put(Network $network, OpenOrder $order): Network
    {
        return $network->with(orders: [...$network->orders, $order->code => $order]);
    }

    /** @return list<OrderComponent> the component rows of an order */
    private static function rows(Network $network, string $code): array
    {
        return OrderRows::own($network, $code);
    }

    /** @param  list<OrderComponent>  $rows */
    private static function putRows(Network $network, string $code, array $rows): Network
    {
        return $network->with(components: [
            ...array_values(array_filter($network->components, fn (OrderComponent $row) => $row->order !== $code)),
            ...$rows,
        ]);
    }
}
