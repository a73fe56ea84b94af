<?php

declare(strict_types=1);

namespace App\Support;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Wording\Templates;
use Yposta\Core\Wording\WeekdayNames;

/** Dates, quantities and phrases in the language of the person, as its files have them. */
final class Words
{
    /** "Thu 12 Mar", with the year when it differs from that of the plan date. Both are day numbers. */
    public static function day(int $day, int $planDate): string
    {
        return self::of($planDate)->day($day);
    }

    public static function isoDay(string $iso, int $planDate): string
    {
        return self::day(Day::parse(substr($iso, 0, 10)), $planDate);
    }

    /** "Thu 12 Mar 06:30", of a minute from day 0. */
    public static function moment(int $minute, int $planDate): string
    {
        $day = Minute::day($minute);

        return self::day($day, $planDate).' '.Minute::clock($minute - $day * Minute::DAY);
    }

    /** @param  int  $qty  millionths */
    public static function quantity(int $qty, string $unit): string
    {
        return self::of()->amount(new Amount($qty, $unit));
    }

    /** @param  string  $weekdays  as digits from 1 (Monday) */
    public static function weekdays(string $weekdays): string
    {
        return self::say(WeekdayNames::of($weekdays));
    }

    /** An amount of money without decimals, from a value in whole units: 12,345. */
    public static function money(int $value): string
    {
        return self::of()->number((string) $value);
    }

    public static function workingDays(int $days): string
    {
        return trans_choice('{1} 1 working day|[0,*] :count working days', $days, ['count' => $days]);
    }

    /** @param  int|null  $planDate  day number; that of the installation where none is given */
    public static function say(Phrase $phrase, ?int $planDate = null): string
    {
        return self::of($planDate ?? ($phrase->saysADay() ? Day::parse(Settings::planDate()) : null))->say($phrase);
    }

    /** The sentences of the language in use. */
    public static function of(?int $planDate = null): Templates
    {
        $languages = app(Languages::class);

        return $planDate === null
            ? $languages->templates(app()->getLocale())
            : $languages->on(app()->getLocale(), $planDate);
    }
}
