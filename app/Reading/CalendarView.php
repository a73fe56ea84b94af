<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\TableMap;
use App\Reading\Shapes\CalendarDate;
use App\Reading\Shapes\CalendarYear;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\WorkDays;

/** Calendars as they are with a person's draft. */
final readonly class CalendarView
{
    private Network $written;

    private Network $drafted;

    /** @param  list<list<Change>>  $draft */
    public function __construct(array $draft)
    {
        $rows = [];
        foreach ([CalendarWeek::class, CalendarDay::class] as $class) {
            $map = TableMap::of($class);
            $stored = DB::table($map->table)->orderBy($class === CalendarWeek::class ? 'code' : 'id')->get();
            $rows[$class] = array_values($stored->map($map->object(...))->all());
        }
        $this->written = $network = Network::ofRows($rows);
        foreach (array_merge(...$draft) as $change) {
            $isOfDays = $change instanceof PutRows && in_array($change->class, [CalendarWeek::class, CalendarDay::class], true);
            try {
                $network = $isOfDays || $change instanceof WorkDays ? $change->apply($network) : $network;
            } catch (DoesNotFit) {
                continue; // the tray says so
            }
        }
        $this->drafted = $network;
    }

    /** The calendar that is shown when none is named: that of the site with the most to plan, else any; empty where there is none. */
    public function first(): string
    {
        $busiest = app(NetworkReader::class)->calendarOf('')->code;

        return isset($this->drafted->calendars[$busiest]) ? $busiest : (string) array_key_first($this->drafted->calendars);
    }

    public function calendar(string $code): ?Calendar
    {
        return $this->drafted->calendars[$code] ?? null;
    }

    /** @throws InvalidArgumentException when there is no such calendar */
    public function year(string $code, int $year): CalendarYear
    {
        $calendar = $this->calendar($code) ?? throw new InvalidArgumentException("there is no calendar {$code}");
        $before = $this->written->calendars[$code] ?? null;
        [$special, $notes] = [$calendar->exceptions(), $calendar->notes()];
        $months = [];
        $worked = 0;
        for ($day = Day::parse(sprintf('%04d-01-01', $year)); ($text = Day::format($day)) < sprintf('%04d-01-01', $year + 1); $day++) {
            $works = $calendar->works($day);
            $worked += $works ? 1 : 0;
            $months[(int) substr($text, 5, 2) - 1][] = new CalendarDate(
                $text, $works, isset($special[$day]), $notes[$day] ?? '',
                $before === null || $before->works($day) !== $works || ($before->notes()[$day] ?? '') !== ($notes[$day] ?? ''),
            );
        }

        return new CalendarYear(
            code: $code, year: $year, weekdays: $calendar->pattern(), months: array_values($months), workingDays: $worked,
            usedBy: self::usedBy($code), others: array_map(strval(...), array_keys($this->drafted->calendars)),
        );
    }

    /** @return list<string> */
    private static function usedBy(string $code): array
    {
        $names = [];
        foreach (['sites', 'suppliers', 'work_centres'] as $table) {
            array_push($names, ...DB::table($table)->where('calendar_code', $code)->orderBy('name')->pluck('name')->all());
        }

        return array_values(array_filter($names, is_string(...)));
    }
}
