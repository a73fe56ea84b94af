<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use DateTimeZone;

/**
 * When the centres of a bundle work, minute by minute and unit by unit, from the text of the files alone: as slow and as plain as can be,
 * and without a line of the code that it is held against.
 */
final class NaiveShop
{
    private readonly int $from;

    /** @var array<string, array<string, string>> rows by centre */
    public readonly array $centres;

    /** @var array<string, array<int, list<int>>> numbers of the units that are on, by centre and minute */
    private array $on = [];

    /**
     * @param  array<string, list<array<string, string>>>  $files  rows by file name
     * @param  string  $first  ISO date of the first day
     * @param  int  $days  from the first on
     */
    public function __construct(private readonly array $files, string $first, private readonly int $days)
    {
        $this->from = self::minute("{$first} 00:00");
        $this->centres = array_column($files['work_centres.csv'] ?? [], null, 'work_centre');
    }

    public static function minute(string $instant): int
    {
        return intdiv((new DateTimeImmutable($instant, new DateTimeZone('UTC')))->getTimestamp(), 60);
    }

    /** @return list<int> */
    public function on(string $centre, int $minute): array
    {
        $this->on[$centre] ??= $this->workedOut($centre);

        return $this->on[$centre][$minute] ?? [];
    }

    /** @return array<int, list<int>> */
    private function workedOut(string $centre): array
    {
        $row = $this->centres[$centre];
        $calendar = ($row['calendar'] ?? '') !== '' ? $row['calendar'] : array_column($this->files['sites.csv'], 'calendar', 'site')[$row['site']];
        $shifts = array_filter($this->files['shifts.csv'] ?? [], fn (array $shift) => $shift['work_centre'] === $centre);
        $closures = array_filter($this->files['closures.csv'] ?? [], fn (array $closure) => $closure['work_centre'] === $centre);
        $times = array_map(fn (array $closure) => [self::minute($closure['from']), self::minute($closure['to'])], $closures);
        $sum = [];
        for ($day = -2; $day < $this->days; $day++) {
            $midnight = $this->from + $day * 1440;
            $date = gmdate('Y-m-d', $midnight * 60);
            if (! $this->works($calendar, $date)) {
                continue;
            }
            if ($shifts === []) {
                for ($minute = $midnight; $minute < $midnight + 1440; $minute++) {
                    $sum[$minute] = (int) ($row['units'] ?? 1);
                }
            }
            foreach ($shifts as $shift) {
                if (str_contains($shift['weekdays'], gmdate('N', $midnight * 60))) {
                    [$begin, $end] = [self::clock($shift['from']), self::clock($shift['to'])];
                    $end = $end > $begin ? $end : $end + 1440;
                    for ($minute = $midnight + $begin; $minute < $midnight + $end; $minute++) {
                        $sum[$minute] = ($sum[$minute] ?? 0) + (int) (($shift['units'] ?? '') !== '' ? $shift['units'] : $row['units']);
                    }
                }
            }
        }
        $on = [];
        foreach ($sum as $minute => $units) {
            $numbers = min($units, (int) $row['units']) > 0 ? range(1, min($units, (int) $row['units'])) : [];
            foreach ([1, 2, 3] as $turn) {
                foreach ($closures as $place => $closure) {
                    $kind = ($closure['unit'] ?? '') !== '' ? 1 : (($closure['units'] ?? '') !== '' ? 2 : 3);
                    if ($kind === $turn && $times[$place][0] <= $minute && $minute < $times[$place][1]) {
                        $numbers = match ($turn) {
                            1 => array_values(array_diff($numbers, [(int) $closure['unit']])),
                            2 => array_slice($numbers, 0, max(0, count($numbers) - (int) $closure['units'])),
                            3 => [],
                        };
                    }
                }
            }
            $numbers === [] || $on[$minute] = $numbers;
        }

        return $on;
    }

    private function works(string $calendar, string $date): bool
    {
        if ((array_column($this->files['plan.csv'], 'value', 'key')['calendars'] ?? 'on') === 'off') {
            return true;
        }
        foreach ($this->files['calendar_days.csv'] ?? [] as $day) {
            if ($day['calendar'] === $calendar && $day['date'] === $date) {
                return $day['works'] === '1';
            }
        }
        $weekdays = $calendar === '' ? '1234567' : array_column($this->files['calendars.csv'], 'weekdays', 'calendar')[$calendar];

        return str_contains($weekdays, gmdate('N', (int) strtotime("{$date} 00:00 UTC")));
    }

    private static function clock(string $time): int
    {
        return (int) substr($time, 0, 2) * 60 + (int) substr($time, 3, 2);
    }
}
