<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Reference\Reference;

/**
 * Starts or sends a firm order: from then on the run keeps its dates as they are. What a transfer order moves leaves the stock of where it
 * comes from.
 */
final readonly class ReleaseOrder implements MovesStock, OfOrder
{
    use OrderChange;

    /** @param  bool  $below  whether what a transfer moves may be more than the books have */
    public function __construct(public string $order, public bool $released = true, public bool $below = false)
    {
    }

    public function apply(Network $network): Network
    {
        $old = self::order($network, $this->order);
        if (($old->status === OrderStatus::Released) === $this->released) {
            throw DoesNotFit::because($this->released ? 'released_already' : 'firm_already', ['order' => $this->order]);
        }

        $network = self::put($network, $old->with(status: $this->released ? OrderStatus::Released : OrderStatus::Firm));
        if ($old->kind !== OrderKind::Transfer || $old->fromSite === null || $old->open() === 0) {
            return $network;
        }

        return $this->released
            ? StockRows::take($network, $old->item, $old->fromSite, $old->open(), (string) Reference::out($this->order), $this->below)
            : StockRows::add($network, $old->item, $old->fromSite, $old->open());
    }

    public function inverse(Network $before): array
    {
        $order = self::order($before, $this->order);
        $owes = $order->fromSite !== null && StockRows::owed($before, $order->item, $order->fromSite) > 0;

        $undo = new self($this->order, ! $this->released, $owes);

        return [$undo, ...StockRows::holdsBack($before, $undo->apply($this->apply($before)))];
    }

    public function postings(Network $before): array
    {
        $order = self::order($before, $this->order);

        return $order->kind !== OrderKind::Transfer || $order->fromSite === null || $order->open() === 0 ? [] : [new StockPosting(
            PostingKind::Transfer, $order->item, $order->fromSite, $this->released ? -$order->open() : $order->open(),
            (string) Reference::order($this->order),
        )];
    }
}
