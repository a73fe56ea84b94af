<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Network;

/** The work centres of a network with their time, and the operations of what is made. */
final class Shop
{
    /** Days before the first that is asked about, from which on open minutes are counted. */
    private const DAYS_BEFORE = 14;

    public readonly Routings $routings;

    /** @var array<string, OpenTime> by centre and units */
    private array $open = [];

    /** @var array<string, CentreTime> by code */
    private array $times = [];

    /** @var array<string, list<\Yposta\Core\Network\Shift>> by centre */
    private array $shifts = [];

    /** @var array<string, list<\Yposta\Core\Network\Closure>> by centre */
    private array $closures = [];

    /** @param  bool  $calendars  whether days off are kept; without, every day works */
    public function __construct(private readonly Network $network, private readonly bool $calendars = true)
    {
        $this->routings = new Routings($network);
        foreach ($network->shifts as $shift) {
            $this->shifts[$shift->workCentre][] = $shift;
        }
        foreach ($network->closures as $closure) {
            $this->closures[$closure->workCentre][] = $closure;
        }
    }

    /** @return list<string> codes of the centres, ascending */
    public function centres(): array
    {
        $codes = array_map(strval(...), array_keys($this->network->workCentres));
        sort($codes, SORT_STRING);

        return $codes;
    }

    public function time(string $centre): CentreTime
    {
        return $this->times[$centre] ??= $this->timeOf($centre);
    }

    /**
     * When all of some units of a centre are on together.
     *
     * @param  list<int>  $units  numbers
     * @param  int  $from  the first minute that is asked about
     */
    public function open(string $centre, array $units, int $from): OpenTime
    {
        $key = $centre."\x1f".implode(' ', $units);
        $open = $this->open[$key] ?? null;
        if ($open === null || $open->first > Minute::day($from)) {
            $open = $this->open[$key] = new OpenTime($this->time($centre), Minute::day($from) - self::DAYS_BEFORE, $units);
        }

        return $open;
    }

    /** What decides the lead time of a point that is made and has no days of its own; null where it has no operations. */
    public function lead(string $item, string $site): ?OperationsLead
    {
        $operations = [];
        foreach ($this->routings->of($item, $site) as $row) {
            $operations[] = [
                $row, $this->network->workCentres[$row->workCentre]->efficiency, max(1, $this->time($row->workCentre)->longestWeekday()),
            ];
        }

        return $operations === [] ? null : new OperationsLead($operations);
    }

    private function timeOf(string $code): CentreTime
    {
        $centre = $this->network->workCentres[$code];
        $calendar = $centre->calendar ?? $this->network->sites[$centre->site]->calendar;

        return new CentreTime(
            $centre, $this->shifts[$code] ?? [], $this->closures[$code] ?? [],
            $this->calendars && $calendar !== null ? $this->network->calendars[$calendar] : Calendar::everyDay(),
        );
    }
}
