<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\WayChoice;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Network\SupplyWays;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;

/** In which ways what a proposal stands for could be got, what it costs in each, and when it could be here if it were ordered today. */
final class WayChoices
{
    /**
     * @param  int  $qty  that is wanted, millionths
     * @return list<WayChoice> the one that is planned first
     */
    public static function of(StoredPlan $plan, Supply $proposal, StoredPoint $point, int $qty): array
    {
        $network = app(NetworkReader::class)->around($point->item, $point->site);
        $options = RunParameters::options($plan->run->parameters)->with(sites: null, items: null, forecasts: []);
        $ways = (new SupplyWays($network))->of($point->item, $point->site);
        $prices = PurchasePrices::of($network);
        $sourcing = new Sourcing($network->supplierItems);
        $punctual = Punctuality::of(array_values(array_filter(array_map(fn (SupplyAlternative $way) => $way->supplier, $ways))));
        $sites = DB::table('sites')->pluck('name', 'code')->all();
        $choices = [];
        foreach ($ways as $way) {
            [, $as] = OrderFromProposal::at($network, $options, $point->item, $point->site, $way);
            $supplier = $way->supplier === null ? null : $network->suppliers[$way->supplier];
            $offer = $way->supplier === null ? null : $sourcing->offer($way->supplier, $point->item);
            $price = $prices->price($point->item, $way->supplier, $qty);
            $possible = OrderFromProposal::earliest($network, $options, $way, $qty);
            $choices[] = new WayChoice(
                way: $way->key(), kind: $way->supply, supplier: $way->supplier,
                name: (string) match ($way->supply) {
                    OrderKind::Make => trans('Made at :site', ['site' => $sites[$point->site] ?? $point->site]),
                    OrderKind::Buy => $supplier->name ?? trans('No supplier'),
                    OrderKind::Transfer => trans('Moved from :site', ['site' => $sites[(string) $way->fromSite] ?? (string) $way->fromSite]),
                },
                lead: $as->leadFor($qty), price: $price === null ? null : Quantity::format($price), currency: $supplier->currency ?? '',
                possible: $plan->dates->iso($possible), late: max(0, $possible - $proposal->due),
                minQty: self::above($offer?->minQty), multiple: self::above($offer?->multiple),
                value: $price === null ? null : (string) Summary::value($qty, $price),
                breaks: $way->supplier === null ? [] : PriceSteps::of($prices, $point->item, $way->supplier),
                punctual: ($punctual[$way->supplier ?? ''] ?? null)?->said(),
            );
        }

        return $choices;
    }

    private static function above(?int $qty): ?string
    {
        return $qty === null || $qty === 0 ? null : Quantity::format($qty);
    }
}
