<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Reference\NewOrderCode;

/**
 * Many orders that are under way as a table of them says: new ones under the codes that they have there, and others with another quantity,
 * day, supplier or priority. What has happened to an order (what came, that it was begun) is told by its own actions and stays; the
 * components that an order has of its own go along with its quantity and its day.
 */
final readonly class BringOrders implements Change
{
    /**
     * @param  list<OpenOrder>  $rows  each code once
     * @param  list<OpenOrder>  $gone  that go again, where it takes a table back
     */
    public function __construct(#[RowsOf(OpenOrder::class)] public array $rows, #[RowsOf(OpenOrder::class)] public array $gone = [])
    {
    }

    public function apply(Network $network): Network
    {
        $orders = $network->orders;
        $gone = [];
        foreach ($this->gone as $row) {
            isset($orders[$row->code]) || throw DoesNotFit::because('no_order', ['order' => $row->code]);
            unset($orders[$row->code]);
            $gone[$row->code] = true;
        }
        $hasRows = array_fill_keys(array_map(fn (OrderComponent $row) => $row->order, $network->components), true);
        $along = [];
        foreach ($this->rows as $row) {
            $old = $network->orders[$row->code] ?? null;
            $orders[$row->code] = $old === null ? self::new($row, $network) : self::changed($old, $row);
            $old !== null && isset($hasRows[$row->code]) && $along[] = [$old, $orders[$row->code]];
        }
        $after = $network;
        foreach ($along as [$old, $new]) {
            $old->qty === $new->qty || $after = (new ResizeOrder($old->code, $new->qty))->apply($after);
            [$old->due, $old->start] === [$new->due, $new->start]
                || $after = (new MoveOrder($old->code, $new->due, $new->start))->apply($after);
        }
        $components = $gone === []
            ? $after->components
            : array_values(array_filter($after->components, fn (OrderComponent $row) => ! isset($gone[$row->order])));

        return $after->with(orders: $orders, components: $components);
    }

    public function inverse(Network $before): array
    {
        $old = $new = $back = [];
        foreach ($this->rows as $row) {
            isset($before->orders[$row->code]) ? $old[] = $before->orders[$row->code] : $new[] = $row;
        }
        $after = $this->apply($before);
        foreach ($old as $order) {
            $own = OrderRows::own($before, $order->code);
            $own == OrderRows::own($after, $order->code) || $back[] = new PutComponents($order->code, $own);
        }
        foreach ($this->gone as $order) {
            $back[] = new PutOrder($before->orders[$order->code], OrderRows::own($before, $order->code));
        }

        return [new self($old, $new), ...$back];
    }

    /** @return list<string> codes */
    public function orders(): array
    {
        return array_map(fn (OpenOrder $row) => $row->code, [...$this->rows, ...$this->gone]);
    }

    private static function new(OpenOrder $row, Network $network): OpenOrder
    {
        $row->kind === OrderKind::Transfer && $row->status === OrderStatus::Released
            && throw DoesNotFit::because('brought_on_its_way', ['order' => $row->code]);

        NewOrderCode::is($row->code) && throw DoesNotFit::because('brought_code', ['order' => $row->code]);

        return PutOrder::checked($network, $row->with(received: 0));
    }

    private static function changed(OpenOrder $old, OpenOrder $row): OpenOrder
    {
        $what = fn (OpenOrder $order): array => [$order->kind, $order->item, $order->site, $order->fromSite];
        $what($old) === $what($row) || throw DoesNotFit::because('brought_other', ['order' => $row->code, 'item' => $old->item, 'site' => $old->site]);
        $old->status === $row->status || throw DoesNotFit::because('brought_begun', ['order' => $row->code]);
        $old->status === OrderStatus::Firm || $old->supplier === $row->supplier || $old->kind !== OrderKind::Buy
            || throw DoesNotFit::because('sent_already', ['order' => $row->code]);
        $row->qty > 0 || throw DoesNotFit::because('resize_to_nothing', ['order' => $row->code]);
        $row->start === null || $row->start <= $row->due || throw DoesNotFit::because('starts_after_due', ['order' => $row->code]);

        return $row->with(received: $old->received, supplier: $old->kind === OrderKind::Buy ? $row->supplier : null);
    }
}
