<?php

declare(strict_types=1);

namespace App\Support;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Yposta\Core\Quantity\Quantity;

/** What something costs as decimal text, to the cent. */
final class CostText
{
    /** A quantity times a price, both in millionths, to the nearest cent. */
    public static function ofProduct(BigInteger $product): string
    {
        $cents = $product->dividedBy(Quantity::ONE * 10_000, RoundingMode::HALF_UP);

        return $cents->quotient(100).'.'.str_pad((string) $cents->remainder(100), 2, '0', STR_PAD_LEFT);
    }
}
