<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Reading\CompanySettings;
use App\Reading\Shapes\Told;
use App\Support\Journal;
use App\Support\NumberStyle;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Words;
use App\Support\WriteTurn;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Support\Phrase;

/** Writes what holds for the whole company, with each change in the journal. */
final readonly class ChangeSettings
{
    /** Over which receipts make no sense as one of what was ordered. */
    private const MOST_PERCENT = 100;

    /**
     * @param  array<string, scalar>  $values  some of those of {@see CompanySettings}
     * @param  array<string, scalar>  $seen  what the person saw there
     * @return array<string, mixed> Told
     *
     * @throws Refused when the person may not, a value makes no sense, or somebody else has changed one meanwhile
     */
    public function __invoke(array $values, array $seen, User $by): array
    {
        $by->can(Roles::SETTINGS) || throw Refused::because('settings.forbidden', [], 'forbidden');

        return DB::transaction(function () use ($values, $seen, $by): array {
            WriteTurn::take();
            $now = get_object_vars(CompanySettings::now());
            $changed = array_filter($values, fn (mixed $value, string $name) => $value !== $now[$name], ARRAY_FILTER_USE_BOTH);
            foreach (array_keys($changed) as $name) {
                ($seen[$name] ?? $now[$name]) === $now[$name] || throw Refused::because('settings.stale', [
                    'what' => new Phrase("journal.settings.{$name}", ['before' => '', 'after' => self::said($name, $now[$name])]),
                ], 'stale');
            }
            $percent = $values['overPercent'] ?? 0;
            is_int($percent) && $percent >= 0 && $percent <= self::MOST_PERCENT
                || throw Refused::because('settings.percent', ['most' => self::MOST_PERCENT], 'percent');
            preg_match('/^([A-Z]{3})?$/D', (string) ($values['currency'] ?? '')) === 1 || throw Refused::because('settings.currency', [], 'currency');
            in_array($values['timeZone'] ?? 'UTC', DateTimeZone::listIdentifiers(), true) || throw Refused::because('settings.time_zone', [], 'timeZone');
            $calendar = (string) ($values['calendar'] ?? '');
            $calendar === '' || DB::table('calendars')->where('code', $calendar)->exists()
                || throw Refused::because('settings.calendar', ['calendar' => $calendar], 'calendar');
            $changed !== [] || throw Refused::because('settings.nothing', [], 'none');
            CompanySettings::write([...$now, ...$changed]);
            $said = [];
            foreach ($changed as $name => $value) {
                $said[] = Words::say(new Phrase("journal.settings.{$name}", ['before' => self::said($name, $now[$name]), 'after' => self::said($name, $value)]));
            }
            Journal::note('settings', implode('; ', $said), $by);

            return get_object_vars(new Told(implode('; ', $said).'.'));
        });
    }

    private static function said(string $name, mixed $value): string
    {
        if ($name === 'numbers') {
            return Words::say(new Phrase($value === NumberStyle::COMMA ? 'journal.settings.comma' : 'journal.settings.point'));
        }

        return match ($value) {
            true => Words::say(new Phrase('journal.settings.yes')),
            false => Words::say(new Phrase('journal.settings.no')),
            '' => '–',
            default => is_scalar($value) ? str_replace("\n", ', ', (string) $value) : '',
        };
    }
}
