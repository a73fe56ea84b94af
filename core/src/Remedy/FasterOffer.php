<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\PutOrder;

/** What a supplier offers who could be there before what serves a need now. */
final readonly class FasterOffer
{
    private function __construct(public PutOrder $order, public int $lead)
    {
    }

    /** @return list<self> the lowest rank first; none where the point is not bought, or is, as asked */
    public static function forBought(Situation $in, bool $bought): array
    {
        $point = $in->need->point;
        if (($point->supply() === OrderKind::Buy) !== $bought) {
            return [];
        }
        $found = [];
        $expected = $in->need->demand->expected;
        foreach ((new Sourcing($in->plan->network->supplierItems))->offersOf($point->item->code) as $offer) {
            if ($bought && $offer->supplier === $point->supplier) {
                continue;
            }
            $earliest = OrderFromProposal::earliest(
                $in->plan->network, $in->plan->options,
                SupplyAlternative::bought($point->item->code, $point->site->code, $offer->supplier),
            );
            if ($expected === null || $earliest < $expected) {
                $qty = max($in->need->short, $offer->minQty ?? 0);
                $qty = ($offer->multiple ?? 0) > 0 ? Quantity::roundUp($qty, (int) $offer->multiple) : $qty;
                $found[] = new self(
                    $in->order(OrderKind::Buy, $qty, max($earliest, (int) $in->need->demand->need), supplier: $offer->supplier),
                    $offer->leadDays ?? 0,
                );
            }
        }

        return $found;
    }
}
