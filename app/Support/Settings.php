<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Settings of the installation, each a JSON value by name. */
final class Settings
{
    public const PINNED_PLAN_DATE = 'pinned_plan_date';

    public const RUN_DEFAULTS = 'run_defaults';

    /** Whether an order that is released holds what the plan gives it; yes unless set otherwise. */
    public const HOLD_ON_RELEASE = 'hold_on_release';

    /** Whether a purchase order that has not been sent covers anything in the list of shortages; yes unless set otherwise. */
    public const COUNT_UNSENT = 'count_unsent';

    /** Percent of what was ordered by which more may be received; 10 unless set otherwise. */
    public const OVER_PERCENT = 'over_percent';

    /** Whether more may be taken from stock than the books have, once somebody has said so; no unless set otherwise. */
    public const BELOW_ZERO = 'below_zero';

    /** Name and address of the company, as it is printed on papers. */
    public const COMPANY = 'company';

    /** What costs and prices are in, as ISO 4217 has it; nothing unless set otherwise. */
    public const CURRENCY = 'currency';

    /** Where the company's clocks stand, as the zone database names it; UTC unless set otherwise. */
    public const TIME_ZONE = 'time_zone';

    /** Calendar that a new site begins with; nothing unless set otherwise. */
    public const CALENDAR = 'calendar';

    /** How numbers are written, see {@see NumberStyle}. */
    public const NUMBERS = 'numbers';

    /** Whether the data are those of the demo company, which can be taken away again. */
    public const IS_DEMO = 'is_demo';

    public static function get(string $key, mixed $default = null): mixed
    {
        return self::several([$key])[$key] ?? $default;
    }

    /**
     * Those of some that are set, looked up at once.
     *
     * @param  list<string>  $keys
     * @return array<string, mixed>
     */
    public static function several(array $keys): array
    {
        return DB::table('settings')->whereIn('key', $keys)->pluck('value', 'key')
            ->map(fn (mixed $value) => json_decode(Stored::text($value), true, 512, JSON_THROW_ON_ERROR))->all();
    }

    /** @return array{name: string, address: string} */
    public static function company(): array
    {
        $kept = (array) self::get(self::COMPANY, []);

        return ['name' => Stored::text($kept['name'] ?? ''), 'address' => Stored::text($kept['address'] ?? '')];
    }

    /** Of costs and prices, as ISO 4217 has it; empty where nobody has said. */
    public static function currency(): string
    {
        return Stored::text(self::get(self::CURRENCY, ''));
    }

    /** Code of the calendar that a new site begins with; empty where nobody has said, or it has gone since. */
    public static function calendar(): string
    {
        return Stored::text(DB::table('calendars')->where('code', Stored::text(self::get(self::CALENDAR, '')))->value('code') ?? '');
    }

    public static function set(string $key, mixed $value): void
    {
        DB::table('settings')->updateOrInsert(['key' => $key], ['value' => json_encode($value, JSON_THROW_ON_ERROR)]);
    }

    /** The time on the company's clocks. */
    public static function now(): CarbonImmutable
    {
        return CarbonImmutable::now(Stored::text(self::get(self::TIME_ZONE, 'UTC')));
    }

    /**
     * The plan's today: the pinned date if the installation has one, else the real date of the company.
     *
     * @param  array<string, mixed>|null  $known  settings that have been looked up, with those two
     */
    public static function planDate(?array $known = null): string
    {
        $known ??= self::several([self::PINNED_PLAN_DATE, self::TIME_ZONE]);
        $pinned = $known[self::PINNED_PLAN_DATE] ?? null;

        return is_string($pinned) ? $pinned : CarbonImmutable::now(Stored::text($known[self::TIME_ZONE] ?? 'UTC'))->toDateString();
    }
}
