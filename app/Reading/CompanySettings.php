<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\CompanyValues;
use App\Support\NumberStyle;
use App\Support\Settings;
use App\Support\Stored;

/** What holds for the whole company, as it is kept among the settings. */
final class CompanySettings
{
    public static function now(): CompanyValues
    {
        $kept = Settings::several([
            Settings::OVER_PERCENT, Settings::HOLD_ON_RELEASE, Settings::COUNT_UNSENT, Settings::BELOW_ZERO, Settings::CURRENCY,
            Settings::TIME_ZONE,
        ]);
        $company = Settings::company();

        return new CompanyValues(
            name: $company['name'], address: $company['address'], currency: Stored::text($kept[Settings::CURRENCY] ?? ''),
            timeZone: Stored::text($kept[Settings::TIME_ZONE] ?? 'UTC'), calendar: Settings::calendar(),
            numbers: NumberStyle::now()->name(),
            overPercent: Stored::int($kept[Settings::OVER_PERCENT] ?? 10),
            holdOnRelease: ($kept[Settings::HOLD_ON_RELEASE] ?? true) === true,
            countUnsent: ($kept[Settings::COUNT_UNSENT] ?? true) === true, belowZero: ($kept[Settings::BELOW_ZERO] ?? false) === true,
        );
    }

    /** @param  array<string, mixed>  $values  all of them */
    public static function write(array $values): void
    {
        Settings::set(Settings::COMPANY, ['name' => $values['name'], 'address' => $values['address']]);
        Settings::set(Settings::CURRENCY, $values['currency']);
        Settings::set(Settings::TIME_ZONE, $values['timeZone']);
        Settings::set(Settings::CALENDAR, $values['calendar']);
        Settings::set(Settings::NUMBERS, $values['numbers']);
        NumberStyle::forget();
        Settings::set(Settings::OVER_PERCENT, $values['overPercent']);
        Settings::set(Settings::HOLD_ON_RELEASE, $values['holdOnRelease']);
        Settings::set(Settings::COUNT_UNSENT, $values['countUnsent']);
        Settings::set(Settings::BELOW_ZERO, $values['belowZero']);
    }
}
