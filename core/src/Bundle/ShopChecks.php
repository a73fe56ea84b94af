<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Capacity\CentreTime;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Network\Calendars;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\SetupChange;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\WorkCentre;

/** Checks between the rows of a shop: whether it can work at all. */
final readonly class ShopChecks
{
    /** @var array<string, CentreTime> by centre */
    private array $times;

    /** @var array<string, string> site of each centre */
    private array $sites;

    /** @var array<string, Calendar> by centre; every day works where one has none */
    private array $calendars;

    /**
     * @param  array<class-string, list<object>>  $rows  all sound
     * @param  array<class-string, list<int>>  $lines  of the rows in their files
     */
    public function __construct(private array $rows, private array $lines, private Findings $findings)
    {
        $known = Calendars::of($rows[CalendarWeek::class] ?? [], $rows[CalendarDay::class] ?? []);
        $ofSites = array_column(array_map(fn (Site $site) => [$site->code, $site->calendar], $this->of(Site::class)), 1, 0);
        $calendars = [];
        foreach ($this->of(WorkCentre::class) as $centre) {
            $code = $centre->calendar ?? $ofSites[$centre->site];
            $code === null || $calendars[$centre->code] = $known[$code];
        }
        $this->calendars = $calendars;
        $shifts = [];
        foreach ($this->of(Shift::class) as $shift) {
            $shifts[$shift->workCentre][] = $shift;
        }
        $times = $sites = [];
        foreach ($this->of(WorkCentre::class) as $centre) {
            $times[$centre->code] = new CentreTime(
                $centre, $shifts[$centre->code] ?? [], [], $calendars[$centre->code] ?? Calendar::everyDay(),
            );
            $sites[$centre->code] = $centre->site;
        }
        $this->times = $times;
        $this->sites = $sites;
    }

    public function check(): void
    {
        foreach ($this->of(WorkCentre::class) as $at => $centre) {
            $this->opens($centre) || $this->note(
                Fault::of('centre_never_open', ['centre' => $centre->code]), 'work_centres.csv', WorkCentre::class, $at, 'work_centre',
            );
        }
        $centres = $families = [];
        foreach ($this->of(Operation::class) as $at => $row) {
            $this->crew($row->workCentre, $row->crew, 'operations.csv', Operation::class, $at);
            $centres["{$row->item}\x1f{$row->op}"][$row->site ?? ''] = $row;
            $families[$row->setupFamily] = true;
        }
        foreach ($this->of(OrderOperation::class) as $at => $row) {
            $this->crew($row->workCentre, $row->crew, 'order_operations.csv', OrderOperation::class, $at);
        }
        foreach ($this->of(OperationAlternative::class) as $at => $row) {
            $this->alternative($row, $centres["{$row->item}\x1f{$row->op}"] ?? [], $at);
        }
        foreach ($this->of(SetupChange::class) as $at => $row) {
            foreach (['fromFamily' => $row->fromFamily, 'toFamily' => $row->toFamily] as $property => $family) {
                isset($families[$family]) || $this->note(
                    Fault::mild('family_of_nobody', ['family' => $family]), 'setup_changes.csv', SetupChange::class, $at,
                    $property === 'fromFamily' ? 'from_family' : 'to_family',
                );
            }
        }
    }

    /** @param  array<string, Operation>  $operations  of its number, by site */
    private function alternative(OperationAlternative $row, array $operations, int $at): void
    {
        $file = 'operation_alternatives.csv';
        if ($operations === []) {
            $this->note(
                Fault::mild('alternative_of_nothing', ['item' => $row->item, 'op' => $row->op]), $file, OperationAlternative::class, $at, 'op',
            );
        }
        foreach ($operations as $operation) {
            if ($this->sites[$operation->workCentre] !== $this->sites[$row->workCentre]) {
                $this->note(
                    Fault::of('alternative_elsewhere', ['centre' => $row->workCentre, 'own' => $operation->workCentre]), $file,
                    OperationAlternative::class, $at, 'work_centre',
                );

                return;
            }
        }
        $this->crew(
            $row->workCentre, $operations === [] ? 1 : max(array_map(fn (Operation $one) => $one->crew, $operations)), $file,
            OperationAlternative::class, $at, 'work_centre',
        );
    }

    /** @param  class-string  $class */
    private function crew(string $centre, int $crew, string $file, string $class, int $at, string $column = 'crew'): void
    {
        $most = $this->times[$centre]->mostUnits();
        if ($most > 0 && $crew > $most) {
            $this->note(Fault::of('crew_too_large', ['crew' => $crew, 'centre' => $centre, 'units' => $most]), $file, $class, $at, $column);
        }
    }

    /** Whether there is any day on which it works with a unit. */
    private function opens(WorkCentre $centre): bool
    {
        $calendar = $this->calendars[$centre->code] ?? Calendar::everyDay();
        $days = $calendar->pattern();
        foreach ($calendar->exceptions() as $day => $works) {
            $days .= $works ? (string) Day::weekday($day) : '';
        }

        return $this->times[$centre->code]->opensOn($days);
    }

    /** @param  class-string  $class */
    private function note(Fault $fault, string $file, string $class, int $at, string $column): void
    {
        $this->findings->note($fault, $file, $this->lines[$class][$at] ?? null, $column);
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    private function of(string $class): array
    {
        return array_values(array_filter($this->rows[$class] ?? [], fn (object $row) => $row instanceof $class));
    }
}
