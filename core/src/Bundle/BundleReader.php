<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use InvalidArgumentException;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Network\Calendars;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\PurchaseDocument;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Support\Phrase;

/** Reads a bundle (section 3) from streams and checks every row of it. */
final readonly class BundleReader
{
    /** @var list<NetworkCheck> */
    private array $checks;

    public function __construct(NetworkCheck ...$checks)
    {
        $this->checks = array_values($checks);
    }

    /** @return list<string> names of the files that mean something */
    public static function files(): array
    {
        return [PlanSettings::FILE, ...array_map(fn (string $class) => Declaration::of($class)->file->name, Network::classes())];
    }

    /**
     * @param  array<string, resource>  $streams  by file name
     *
     * @throws BundleRefused with every error found, when there is one
     */
    public function read(array $streams): Contents
    {
        $findings = new Findings;
        foreach (array_diff(array_keys($streams), self::files()) as $unknown) {
            $findings->note(new Fault(Fault::of('file_unknown')->problem, mild: true), $unknown);
        }
        $options = (new PlanSettings($findings))->read($streams[PlanSettings::FILE] ?? null);
        $rows = $this->rows($streams, $findings);
        if ($findings->isSound() && $options !== null) {
            $network = Network::ofRows($rows);
            foreach ($options->unknownIn($network) as $problem) {
                $findings->note(new Fault($problem), PlanSettings::FILE);
            }
            foreach ($this->checks as $check) {
                $check->check($network, $options, $findings);
            }
            if ($findings->isSound()) {
                return new Contents($network, $options, $findings->warnings);
            }
        }
        throw new BundleRefused($findings->errors ?: [new RowError(
            PlanSettings::FILE, null, 'plan_date', new Phrase('row.no_plan_date.problem'),
        )]);
    }

    /**
     * @param  array<string, resource>  $streams
     * @return array<class-string, list<object>> the sound rows by class
     */
    private function rows(array $streams, Findings $findings): array
    {
        $known = new KnownRows;
        $rows = $lines = [];
        foreach (Network::classes() as $class) {
            $declaration = Declaration::of($class);
            $stream = $streams[$declaration->file->name] ?? null;
            $rows[$class] = $lines[$class] = [];
            foreach ($stream === null ? [] : (new RowReader($declaration, $known, $findings))->read($stream) as $line => $row) {
                $rows[$class][] = $row;
                $lines[$class][] = $line;
            }
            $class === CalendarDay::class && $this->checkCalendars($rows, $lines, $findings);
        }
        $checks = new StructureChecks($findings);
        $checks->clashes(array_combine($lines[BomLine::class], self::only(BomLine::class, $rows)));
        $checks->gaps(
            array_combine($lines[Planning::class], self::only(Planning::class, $rows)),
            self::only(BomLine::class, $rows),
            self::only(SupplierItem::class, $rows),
        );
        $findings->isSound() && (new ShopChecks($rows, $lines, $findings))->check();
        $findings->isSound() && (new PurchaseChecks($findings))->check(
            array_combine($lines[PurchaseDocument::class], self::only(PurchaseDocument::class, $rows)), self::only(OpenOrder::class, $rows),
        );

        $findings->isSound() && (new JobChecks($findings))->check(
            array_combine($lines[JobLine::class], self::only(JobLine::class, $rows)), self::only(JobActivity::class, $rows),
        );

        return $rows;
    }

    /**
     * @param  array<class-string, list<object>>  $rows
     * @param  array<class-string, list<int>>  $lines
     */
    private function checkCalendars(array $rows, array $lines, Findings $findings): void
    {
        foreach ($rows[CalendarWeek::class] ?? [] as $place => $week) {
            try {
                Calendars::of(
                    [$week],
                    array_values(array_filter(
                        $rows[CalendarDay::class] ?? [],
                        fn (object $day) => $week instanceof CalendarWeek && $day instanceof CalendarDay && $day->calendar === $week->code,
                    )),
                );
            } catch (InvalidArgumentException) {
                $findings->note(
                    Fault::of('never_works', ['calendar' => $week instanceof CalendarWeek ? $week->code : '']), 'calendars.csv',
                    $lines[CalendarWeek::class][$place] ?? null, 'weekdays',
                );
            }
        }
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @param  array<class-string, list<object>>  $rows
     * @return list<T>
     */
    private static function only(string $class, array $rows): array
    {
        return array_values(array_filter($rows[$class] ?? [], fn (object $row) => $row instanceof $class));
    }
}
