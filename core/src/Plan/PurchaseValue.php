<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Network\Network;

/** What bought items cost: the price of the supplier where he has one, else the cost of the item. */
final readonly class PurchaseValue
{
    /** @param  array<string, array<string, int>>  $prices  for one unit, in millionths of the supplier's currency, by item and supplier */
    public function __construct(private array $prices)
    {
    }

    public static function ofNetwork(Network $network): self
    {
        $prices = [];
        foreach ($network->supplierItems as $offer) {
            $offer->price === null || $prices[$offer->item][$offer->supplier] = $offer->price;
        }

        return new self($prices);
    }

    /**
     * In whole units of the currency.
     *
     * @param  int  $qty  millionths
     * @param  int  $unitCost  of the item, millionths
     */
    public function of(int $qty, string $item, ?string $supplier, int $unitCost): int
    {
        return Summary::value($qty, $this->prices[$item][$supplier ?? ''] ?? $unitCost);
    }
}
