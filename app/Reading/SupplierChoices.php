<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\SupplierChoice;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\OrderKind;
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
        foreach ($network->supplierItems as $offer) {
            $supplier = $network->suppliers[$offer->supplier];
            $possible = OrderFromProposal::earliest($network, $options, $point->item, $point->site, $offer->supplier);
            $choices[] = new SupplierChoice(
                $offer->supplier, $supplier->name, $offer->leadDays ?? $point->rules->lead,
                $offer->price === null ? null : Quantity::format($offer->price), $supplier->currency, $plan->dates->iso($possible),
            );
        }

        return $choices;
    }
}
