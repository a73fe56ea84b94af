<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\NetworkSurroundings;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;

/** Puts an order into the network: one that was taken away, or what a proposal becomes when it is converted. */
final readonly class PutOrder implements Flat, OfOrder
{
    use OrderChange;

    /**
     * @param  list<OrderComponent>  $rows  none leaves the components to the structure
     * @param  ProposalOrigin|null  $from  the proposal that it is made of
     */
    public function __construct(public OpenOrder $order, public array $rows = [], public ?ProposalOrigin $from = null)
    {
    }

    public function orderCode(): string
    {
        return $this->order->code;
    }

    public function apply(Network $network): Network
    {
        foreach ($this->rows as $row) {
            if ($row->order !== $this->order->code || ! isset($network->items[$row->item])) {
                throw DoesNotFit::because('rows_of_another', ['order' => $this->order->code]);
            }
        }

        return self::put(
            $this->rows === [] ? $network : $network->with(components: [...$network->components, ...$this->rows]),
            self::checked($network, $this->order),
        ); // a new order has none yet
    }

    /**
     * A new order, with what does not go with its kind left out.
     *
     * @throws DoesNotFit when there is one of its code, or it makes no sense
     */
    public static function checked(Network $network, OpenOrder $order): OpenOrder
    {
        if (isset($network->orders[$order->code])) {
            throw DoesNotFit::because('order_exists', ['order' => $order->code]);
        }
        if (! isset($network->items[$order->item], $network->sites[$order->site])) {
            throw DoesNotFit::because('no_point', ['item' => $order->item, 'site' => $order->site]);
        }
        if ($order->qty <= 0) {
            throw DoesNotFit::because('order_of_nothing');
        }
        if ($order->start !== null && $order->start > $order->due) {
            throw DoesNotFit::because('new_starts_after_due', ['item' => $order->item]);
        }
        foreach (Declaration::of(OpenOrder::class)->faults($order, new NetworkSurroundings($network)) as $fault) {
            $fault->mild || throw new DoesNotFit($fault->problem);
        }

        return $order->with(
            fromSite: $order->kind === OrderKind::Transfer ? $order->fromSite : null,
            supplier: $order->kind === OrderKind::Buy ? $order->supplier : null,
        );
    }

    public function inverse(Network $before): array
    {
        return [new RemoveOrder($this->order->code)];
    }

    public function toFields(): array
    {
        $order = RowCodec::encode($this->order);

        return [
            'order' => $order['code'], ...array_diff_key($order, ['code' => true]), 'rows' => array_map(RowCodec::encode(...), $this->rows),
            'run' => $this->from?->run, 'proposal' => $this->from?->number,
        ];
    }

    public static function fromFields(array $fields): self
    {
        $rows = is_array($fields['rows'] ?? []) ? $fields['rows'] ?? [] : throw InvalidChange::wrong('rows');
        [$run, $number] = [$fields['run'] ?? null, $fields['proposal'] ?? null];
        $from = is_int($run) && is_int($number) ? new ProposalOrigin($run, $number) : null;
        $order = [
            'status' => 'firm',
            ...array_diff_key($fields, ['order' => 1, 'rows' => 1, 'run' => 1, 'proposal' => 1]),
            'code' => $fields['order'] ?? null,
        ];

        return new self(
            RowCodec::decode(OpenOrder::class, $order),
            array_values(array_map(
                fn (mixed $row) => RowCodec::decode(OrderComponent::class, is_array($row) ? $row : throw InvalidChange::wrong('rows')),
                $rows,
            )),
            $from,
        );
    }
}
