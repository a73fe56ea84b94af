<?php

declare(strict_types=1);

namespace App\Documents;

use App\Support\Words;
use Brick\Math\BigDecimal;

/** An amount of money as it is written: cents always, more only where there is more. */
final class Money
{
    /** @param  int  $amount  millionths of the currency */
    public static function plain(int $amount): string
    {
        $value = BigDecimal::ofUnscaledValue($amount, 6)->stripTrailingZeros();

        return (string) ($value->getScale() < 2 ? $value->toScale(2) : $value);
    }

    /** With its thousands apart, for people. */
    public static function said(int $amount): string
    {
        return Words::of()->number(self::plain($amount));
    }
}
