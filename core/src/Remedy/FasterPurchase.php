<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\Phrase;

/** A purchase from who could be there before what serves the need now. */
abstract readonly class FasterPurchase extends Remedy
{
    public Amount $qty;

    public int $due;

    public Phrase $supplier;

    public int $lead;

    final protected function __construct(Situation $in, FasterOffer $offer)
    {
        $order = $offer->order->order;
        $this->qty = $in->amount($order->qty);
        $this->due = $order->due;
        $this->supplier = $in->supplierName($order->supplier);
        $this->lead = $offer->lead;
        parent::__construct([$offer->order]);
    }

    protected function values(): array
    {
        return ['supplier' => $this->supplier, 'qty' => $this->qty, 'due' => new Date($this->due), 'lead' => (string) $this->lead];
    }
}
