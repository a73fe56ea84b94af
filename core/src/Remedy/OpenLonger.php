<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Shift;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\AddShift;
use Yposta\Core\Study\Change;
use Yposta\Core\Wording\WeekdayNames;

/** A work centre works longer: a shift on the weekday on which it is open least, or an hour or two every day. */
final readonly class OpenLonger extends Remedy
{
    private const SHIFT = 480;

    private const OVERTIME = 120;

    /** @param  list<Change>  $also */
    private function __construct(private AddShift $change, array $also)
    {
        parent::__construct([$change, ...$also]);
    }

    /**
     * @param  list<Change>  $also  what lets go there that could then begin sooner
     * @return list<self>
     */
    public static function find(Plan $plan, string $centre, array $also = []): array
    {
        $row = $plan->network->workCentres[$centre];
        $calendar = $plan->network->calendars[$row->calendar ?? $plan->network->sites[$row->site]->calendar ?? ''] ?? null;
        $works = $calendar?->pattern() ?? '1234567';
        $ends = $open = [];
        foreach ($plan->network->shifts as $shift) {
            foreach ($shift->workCentre === $centre ? str_split($shift->weekdays) : [] as $weekday) {
                if (str_contains($works, $weekday)) {
                    $ends[$weekday] = max($ends[$weekday] ?? 0, self::end($shift));
                    $open[$weekday] = ($open[$weekday] ?? 0) + $shift->end() - $shift->from;
                }
            }
        }
        if ($open === []) {
            return [];
        }
        asort($open);
        $found = [];
        $least = (string) array_key_first($open);
        $latest = max([0, ...array_values($ends)]);
        $daily = [implode('', self::ascending(array_keys($ends))), $latest, self::OVERTIME];
        foreach ([[$least, $ends[$least], self::SHIFT], $daily] as [$days, $from, $most]) {
            $to = min(Minute::DAY, $from + $most);
            $to - $from < 60 || $found["{$days} {$from}"] ??= new self(new AddShift($centre, $days, $from, $to), $also);
        }

        return array_values($found);
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::OpenLonger;
    }

    protected function values(): array
    {
        return [
            'centre' => $this->change->workCentre, 'days' => WeekdayNames::of($this->change->weekdays),
            'from' => Minute::clock($this->change->from), 'to' => Minute::clock($this->change->to),
        ];
    }

    /** The end of what lies in its day; a shift over midnight takes the night. */
    private static function end(Shift $shift): int
    {
        return min(Minute::DAY, $shift->end());
    }

    /**
     * @param  list<int|string>  $weekdays
     * @return list<int|string>
     */
    private static function ascending(array $weekdays): array
    {
        sort($weekdays);

        return $weekdays;
    }
}
