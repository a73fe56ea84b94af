<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;

/**
 * What somebody wants of a run: arguments of {@see Options}, and what stands for some of them until it begins, so that it can be kept
 * and asked for again another day: `horizonDays` from the plan date instead of its last day; `soldOnly`, or `families` and `items`
 * instead of the items.
 */
final class RunWishes
{
    /** What may come from outside. */
    public const RULES = [
        'horizonEnd' => 'nullable|date_format:Y-m-d',
        'horizonDays' => 'nullable|integer|min:0|max:'.Options::LONGEST_HORIZON,
        'bucket' => 'nullable|in:day,week,month',
        'demand' => 'nullable|array', 'demand.*' => 'in:sales,forecast',
        'supply' => 'nullable|array', 'supply.*' => 'in:stock,purchase,production,transfer',
        'forecasts' => 'nullable|array', 'forecasts.*' => 'string|max:190',
        'consume' => 'nullable|boolean',
        'consumeBackDays' => self::DAYS, 'consumeForwardDays' => self::DAYS,
        'spread' => 'nullable|boolean',
        'sites' => 'nullable|array', 'sites.*' => 'string|max:190',
        'soldOnly' => 'nullable|boolean',
        'families' => 'nullable|array|max:1000', 'families.*' => 'string|max:190',
        'items' => 'nullable|array|max:1000', 'items.*' => 'string|max:190',
        'calendars' => 'nullable|boolean',
        'pegByPriority' => 'nullable|boolean',
        'safetyStock' => 'nullable|boolean',
        'bringInDays' => self::DAYS, 'pushOutDays' => self::DAYS,
        'schedule' => 'nullable|boolean', 'scheduleDays' => self::DAYS,
    ];

    /** Codes that are looked up with one question. */
    private const AT_ONCE = 5_000;

    private const DAYS = 'nullable|integer|min:0|max:'.Options::LONGEST_HORIZON;

    /**
     * The options of a run that begins now.
     *
     * @param  array<string, mixed>  $wishes  what differs from the installation's defaults
     *
     * @throws Refused when they contradict each other or name what is not there
     */
    public static function options(array $wishes): Options
    {
        /** @var array<string, mixed> $defaults */
        $defaults = (array) Settings::get(Settings::RUN_DEFAULTS, []);
        $planDate = Settings::planDate();
        $horizon = isset($wishes['horizonDays'])
            ? Day::format(Day::parse($planDate) + Stored::int($wishes['horizonDays']))
            : self::usualHorizon($defaults, $planDate);
        unset($defaults['horizonEnd'], $defaults['planDate']);
        $parameters = [...$defaults, 'planDate' => $planDate, 'horizonEnd' => $horizon, ...self::arguments($wishes)];
        array_key_exists('sites', $wishes) && $parameters['sites'] = self::sites($wishes['sites']);
        $items = self::items($wishes);
        $items === false || $parameters['items'] = $items;
        try {
            return RunParameters::options($parameters);
        } catch (InvalidOptions $trouble) {
            throw Refused::because('run.parameters', ['trouble' => $trouble->phrase()], 'parameters');
        }
    }

    /**
     * Those that are arguments of the options as they stand.
     *
     * @param  array<string, mixed>  $wishes
     * @return array<string, mixed>
     */
    public static function arguments(array $wishes): array
    {
        $others = array_flip(['soldOnly', 'families', 'items', 'horizonDays']);

        return array_filter(array_diff_key($wishes, $others), fn ($wish) => $wish !== null);
    }

    /**
     * As they are kept: a last day as days from the plan date, all sites as those that there will be.
     *
     * @param  array<string, mixed>  $wishes
     * @return array<string, mixed>
     */
    public static function kept(array $wishes): array
    {
        array_key_exists('sites', $wishes) && $wishes['sites'] = self::sites($wishes['sites']);
        $wishes = array_filter($wishes, fn (mixed $wish, string $name) => $wish !== null || $name === 'sites', ARRAY_FILTER_USE_BOTH);
        if (isset($wishes['horizonEnd'])) {
            $wishes['horizonDays'] = max(0, Day::parse(Stored::text($wishes['horizonEnd'])) - Day::parse(Settings::planDate()));
            unset($wishes['horizonEnd']);
        }

        return $wishes;
    }

    /**
     * @param  array<string, mixed>  $wishes
     * @return list<string>|false|null codes; null for all, false where nothing is said
     *
     * @throws Refused when there is nothing of a family, or one of the items is not there
     */
    private static function items(array $wishes): array|false|null
    {
        [$families, $items] = [self::names($wishes['families'] ?? []), self::names($wishes['items'] ?? [])];
        if (($wishes['soldOnly'] ?? null) === true) {
            return self::names(DB::table('sales_lines')->select('item_code')->union(DB::table('forecast_buckets')->select('item_code'))
                ->union(DB::table('job_lines')->whereNotNull('item_code')->where('approved', true)->select('item_code'))
                ->orderBy('item_code')->pluck('item_code')->all());
        }
        if ($families === [] && $items === []) {
            return array_intersect_key($wishes, ['soldOnly' => 1, 'families' => 1, 'items' => 1]) === [] ? false : null;
        }
        $of = DB::table('items')->whereIn('family', $families)->orderBy('code')->get(['code', 'family']);
        $known = [];
        foreach (array_chunk($items, self::AT_ONCE) as $some) {
            array_push($known, ...self::names(DB::table('items')->whereIn('code', $some)->pluck('code')->all()));
        }
        $missing = [...array_diff($families, self::names($of->pluck('family')->all())), ...array_diff($items, $known)];
        $missing === [] || throw Refused::because('run.no_such', ['what' => implode(', ', $missing)], 'parameters');

        return array_values(array_unique([...self::names($of->pluck('code')->all()), ...$items]));
    }

    /** @return list<string>|null null for all */
    private static function sites(mixed $sites): ?array
    {
        $all = $sites === null || array_diff(self::names(DB::table('sites')->pluck('code')->all()), self::names($sites)) === [];

        return $all ? null : self::names($sites);
    }

    /** @return list<string> */
    private static function names(mixed $values): array
    {
        return array_values(array_map(Stored::text(...), (array) $values));
    }

    /**
     * The imported horizon keeps its length when the plan date moves on.
     *
     * @param  array<mixed>  $defaults
     */
    private static function usualHorizon(array $defaults, string $planDate): string
    {
        $length = isset($defaults['horizonEnd'], $defaults['planDate'])
            ? Day::parse(Stored::text($defaults['horizonEnd'])) - Day::parse(Stored::text($defaults['planDate']))
            : 365;

        return Day::format(Day::parse($planDate) + $length);
    }
}
