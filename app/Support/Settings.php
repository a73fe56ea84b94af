<?php

declare(strict_types=1);

namespace App\Support;

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

    public static function get(string $key, mixed $default = null): mixed
    {
        $value = DB::table('settings')->where('key', $key)->value('value');

        return is_string($value) ? json_decode($value, true, 512, JSON_THROW_ON_ERROR) : $default;
    }

    public static function set(string $key, mixed $value): void
    {
        DB::table('settings')->updateOrInsert(['key' => $key], ['value' => json_encode($value, JSON_THROW_ON_ERROR)]);
    }

    /** The plan's today: the pinned date if the installation has one, else the real date. */
    public static function planDate(): string
    {
        $pinned = self::get(self::PINNED_PLAN_DATE);

        return is_string($pinned) ? $pinned : now()->toDateString();
    }
}
