<?php

declare(strict_types=1);

namespace App\Support;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** Dates and quantities in running text. */
final class Say
{
    /** "Thu 12 Mar", with the year when it differs from that of the plan date. Both are day numbers. */
    public static function day(int $day, int $planDate): string
    {
        $text = gmdate('D j M', $day * 86400);

        return gmdate('Y', $day * 86400) === gmdate('Y', $planDate * 86400) ? $text : $text.gmdate(' Y', $day * 86400);
    }

    /** @param  int  $qty  millionths */
    public static function quantity(int $qty, string $unit): string
    {
        return trim(Quantity::format($qty).' '.$unit);
    }

    public static function isoDay(string $iso, int $planDate): string
    {
        return self::day(Day::parse(substr($iso, 0, 10)), $planDate);
    }

    /** An amount of money without decimals, from a value in whole units: 12,345. */
    public static function money(int $value): string
    {
        return number_format($value);
    }

    public static function workingDays(int $days): string
    {
        return trans_choice('{1} 1 working day|[0,*] :count working days', $days, ['count' => $days]);
    }
}
