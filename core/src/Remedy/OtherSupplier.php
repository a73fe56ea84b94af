<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;

/** Another supplier could be there before what serves the need now. */
final readonly class OtherSupplier extends Remedy
{
    private function __construct(PutOrder $change, public Amount $qty, public int $due, public Phrase $supplier, public int $lead)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> the lowest rank first */
    public static function find(Situation $in): array
    {
        return array_map(
            fn (FasterOffer $offer) => new self(
                $offer->order, $in->amount($offer->order->order->qty), $offer->order->order->due,
                $in->supplierName($offer->order->order->supplier), $offer->lead,
            ),
            FasterOffer::forBought($in, true),
        );
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::OtherSupplier;
    }

    protected function values(): array
    {
        return ['supplier' => $this->supplier, 'qty' => $this->qty, 'due' => new Date($this->due), 'lead' => (string) $this->lead];
    }
}
