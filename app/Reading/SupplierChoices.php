<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\SupplierChoice;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;

/** Who offers what a proposal would buy, and when it could be here if it were ordered today. */
final class SupplierChoices
{
    /** @return list<SupplierChoice> none for what is not bought */
    public static function of(StoredPlan $plan, Supply $proposal, StoredPoint $point): array
    {
        if ($proposal->type !== OrderKind::Buy) {
            return [];
        }
        $network = app(NetworkReader::class)->around($point->item, $point->site);
        $options = RunParameters::options($plan->run->parameters);
        $choices = [];
        $punctual = Punctuality::of(array_map(fn (SupplierItem $offer) => $offer->supplier, $network->supplierItems));
        foreach ($network->supplierItems as $offer) {
            $supplier = $network->suppliers[$offer->supplier];
            $possible = OrderFromProposal::earliest($network, $options, $point->item, $point->site, $offer->supplier);
            $choices[] = new SupplierChoice(
                code: $offer->supplier, name: $supplier->name, lead: $offer->leadDays ?? $point->rules->lead,
                price: $offer->price === null ? null : Quantity::format($offer->price), currency: $supplier->currency,
                possible: $plan->dates->iso($possible), late: max(0, $possible - $proposal->due),
                minQty: ($offer->minQty ?? 0) > 0 ? Quantity::format((int) $offer->minQty) : null,
                multiple: ($offer->multiple ?? 0) > 0 ? Quantity::format((int) $offer->multiple) : null,
                value: $offer->price === null ? null : (string) Summary::value($proposal->qty, $offer->price),
                punctual: ($punctual[$offer->supplier] ?? null)?->said(),
            );
        }

        return $choices;
    }
}
