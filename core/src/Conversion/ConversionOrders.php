<?php

declare(strict_types=1);

namespace Yposta\Core\Conversion;

use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\Supply;
use Yposta\Core\Study\ProposalOrigin;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;

/** The orders that proposals become: with their start, and the components that the run would give them written out. */
final readonly class ConversionOrders
{
    public function __construct(private Network $network, private Options $options)
    {
    }

    /**
     * @param  string  $code  of the order
     * @param  int|null  $qty  millionths; null for what is proposed
     * @param  int|null  $due  day number; null for the date that conversion gives it, see {@see ConversionDate}
     * @param  SupplyAlternative|null  $way  in which it is supplied; null for the one that is proposed
     *
     * @throws QuantityOutOfRange when a component would be needed beyond the range
     */
    public function order(
        Supply $proposal,
        string $item,
        string $site,
        string $code,
        ?int $qty = null,
        ?int $due = null,
        ?SupplyAlternative $way = null,
        ?ProposalOrigin $from = null,
    ): PutOrder {
        $due ??= ConversionDate::of(
            $proposal, $this->options->bringInDays,
            $way === null ? null : OrderFromProposal::earliest($this->network, $this->options, $way, $qty ?? $proposal->qty), $way?->supply,
        );
        [$structure, $point] = OrderFromProposal::at($this->network, $this->options, $item, $site, $way);
        $made = OrderFromProposal::of($structure, $point, $qty ?? $proposal->qty, $due, $this->options->planDate);
        $order = OpenOrder::of(
            code: $code, kind: $way->supply ?? $proposal->type ?? OrderKind::Buy, status: OrderStatus::Firm, item: $item, site: $site,
            fromSite: $way === null ? $proposal->fromSite : $way->fromSite, supplier: $way === null ? $proposal->supplier : $way->supplier,
            qty: $qty ?? $proposal->qty, start: $made->start, due: $due, priority: $proposal->priority,
        );
        $rows = array_map(
            fn (array $part) => OrderComponent::of(
                order: $code,
                line: $part['line']->line,
                item: $part['line']->item,
                qty: $part['qty'],
                need: $part['need'],
            ),
            $made->components,
        );

        return new PutOrder($order, $rows, $from);
    }

    /**
     * What an order does not keep to of how its point, or its supplier, may be ordered: the least quantity and the multiple (section 5).
     *
     * @return list<Phrase>
     */
    public function departures(OpenOrder $order): array
    {
        $way = SupplyAlternative::of(
            item: $order->item, site: $order->site, supply: $order->kind, supplier: $order->supplier, fromSite: $order->fromSite,
        );
        [, $point] = OrderFromProposal::at($this->network, $this->options, $order->item, $order->site, $way);
        $said = fn (string $code, int $rule): Phrase => new Phrase($code, [
            'item' => $order->item,
            'qty' => new Amount($order->qty, $point->item->unit),
            'rule' => new Amount($rule, $point->item->unit),
        ]);

        return [
            ...($order->qty < $point->minQty ? [$said('order_size.below_least', $point->minQty)] : []),
            ...($point->multiple > 0 && $order->qty % $point->multiple !== 0 ? [$said('order_size.no_multiple', $point->multiple)] : []),
        ];
    }
}
