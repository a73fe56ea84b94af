<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\PriceFrom;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Quantity\Quantity;

/** From how many on a supplier asks how much. */
final class PriceSteps
{
    /** @return list<PriceFrom> the least quantity first */
    public static function of(PurchasePrices $prices, string $item, string $supplier): array
    {
        $breaks = $prices->breaks($item, $supplier);

        return array_map(
            fn (int $from, int $price) => new PriceFrom(Quantity::format($from), Quantity::format($price)), array_keys($breaks), $breaks,
        );
    }
}
