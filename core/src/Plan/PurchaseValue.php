<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\PurchasePrices;

/** What bought items cost: the price of the supplier for that quantity where he has one, else the cost of the item. */
final readonly class PurchaseValue
{
    public function __construct(private PurchasePrices $prices)
    {
    }

    public static function ofNetwork(Network $network): self
    {
        return new self(PurchasePrices::of($network));
    }

    /**
     * In whole units of the currency.
     *
     * @param  int  $qty  millionths
     * @param  int  $unitCost  of the item, millionths
     */
    public function of(int $qty, string $item, ?string $supplier, int $unitCost): int
    {
        return Summary::value($qty, $this->prices->price($item, $supplier, $qty) ?? $unitCost);
    }
}
