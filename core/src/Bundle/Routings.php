<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Network\Closure;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\Routing;
use Yposta\Core\Network\SetupChange;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\WorkCentre;
use Yposta\Core\Quantity\Quantity;

/** Reads work centres and operations (section 11). */
final class Routings
{
    private const FINEST = 6;

    private const MOST_UNITS = 100_000;

    private const HUNDRED_PERCENT = 100 * Quantity::ONE;

    /** @var array<string, WorkCentre> */
    private array $centres = [];

    public function __construct(private readonly Files $files, private readonly MasterData $master, private readonly Transactions $transactions)
    {
    }

    public function read(): Routing
    {
        $this->centres();

        return new Routing($this->centres, $this->shifts(), $this->closures(), $this->operations(), $this->alternatives(), $this->setupChanges(), $this->orderOperations());
    }

    private function centres(): void
    {
        foreach ($this->files->rows('work_centres.csv') as $row) {
            $kind = $row->text('kind', 'people');
            in_array($kind, ['people', 'machine'], true) || $row->wrong('kind', "'{$kind}' is not known", 'people or machine');
            $centre = new WorkCentre(
                $row->code('work_centre'), $row->text('name', $row->text('work_centre')), $row->reference('site', $this->master->sites, 'site'), $kind,
                $row->whole('units', 0, self::MOST_UNITS, 1), $row->quantity('efficiency_pct', self::FINEST, self::HUNDRED_PERCENT),
                $row->optionalReference('calendar', $this->master->calendars, 'calendar'),
            );
            $centre->efficiency === 0 && $row->wrong('efficiency_pct', 'is 0', 'it must be above 0');
            $this->files->unique('work_centres.csv', $row, [$centre->code]);
            $this->centres[$centre->code] = $centre;
        }
    }

    /** @return list<Shift> */
    private function shifts(): array
    {
        $shifts = [];
        foreach ($this->files->rows('shifts.csv') as $row) {
            $weekdays = $row->text('weekdays');
            preg_match('/^[1-7]{1,7}$/D', $weekdays) === 1 || $row->wrong('weekdays', "'{$weekdays}' is no set of weekdays", 'digits from 1 (Monday) to 7');
            $from = $this->minutes($row, 'from');
            $to = $this->minutes($row, 'to');
            $shift = new Shift($row->reference('work_centre', $this->centres, 'work centre'), $weekdays, $from, $to > $from ? $to : $to + 1440, $row->optionalWhole('units', 0, self::MOST_UNITS));
            $row->sound() && $shifts[] = $shift;
        }

        return $shifts;
    }

    private function minutes(Row $row, string $column): int
    {
        if (preg_match('/^([01]\d|2[0-3]):([0-5]\d)$/D', $row->text($column), $part) !== 1) {
            $row->wrong($column, "'".$row->text($column)."' is no time of day", 'write it like 06:30');

            return 0;
        }

        return (int) $part[1] * 60 + (int) $part[2];
    }

    /** @return list<Closure> */
    private function closures(): array
    {
        $closures = [];
        foreach ($this->files->rows('closures.csv') as $row) {
            $from = $this->instant($row, 'from');
            $to = $this->instant($row, 'to');
            if ($from !== null && $to !== null && $to <= $from) {
                $row->wrong('to', 'ends before it begins', 'make it later than from');
            }
            $closure = new Closure($row->reference('work_centre', $this->centres, 'work centre'), (string) $from, (string) $to, $row->optionalWhole('units', 0, self::MOST_UNITS), $row->text('reason'));
            $row->sound() && $closures[] = $closure;
        }

        return $closures;
    }

    private function instant(Row $row, string $column): ?string
    {
        $text = str_replace('T', ' ', $row->code($column));
        $instant = date_create_immutable_from_format('!Y-m-d H:i', $text, new \DateTimeZone('UTC'));
        if ($text !== '' && ($instant === false || $instant->format('Y-m-d H:i') !== $text)) {
            $row->wrong($column, "'{$text}' is no date and time", 'write it like 2026-03-02 06:30');

            return null;
        }

        return $text;
    }

    /** @return list<Operation> */
    private function operations(): array
    {
        $operations = [];
        foreach ($this->files->rows('operations.csv') as $row) {
            $operation = new Operation(
                $row->reference('item', $this->master->items, 'item'), $row->optionalReference('site', $this->master->sites, 'site'), $row->whole('op', 0, 999_999),
                $row->reference('work_centre', $this->centres, 'work centre'), $row->quantity('setup_min', self::FINEST, 0), $row->quantity('run_min', self::FINEST, 0),
                $row->quantity('base_qty', self::FINEST, Quantity::ONE), $row->quantity('queue_min', self::FINEST, 0), $row->quantity('move_min', self::FINEST, 0),
                $row->whole('crew', 1, self::MOST_UNITS, 1), $row->text('setup_family'),
            );
            $operation->baseQty === 0 && $row->wrong('base_qty', 'is 0', 'it must be above 0');
            $this->files->unique('operations.csv', $row, [$operation->item, (string) $operation->site, $operation->op]);
            $row->sound() && $operations[] = $operation;
        }

        return $operations;
    }

    /** @return list<OperationAlternative> */
    private function alternatives(): array
    {
        $alternatives = [];
        foreach ($this->files->rows('operation_alternatives.csv') as $row) {
            $alternative = new OperationAlternative(
                $row->reference('item', $this->master->items, 'item'), $row->optionalReference('site', $this->master->sites, 'site'), $row->whole('op', 0, 999_999),
                $row->reference('work_centre', $this->centres, 'work centre'), $row->quantity('speed_pct', self::FINEST, self::HUNDRED_PERCENT),
            );
            $alternative->speed === 0 && $row->wrong('speed_pct', 'is 0', 'it must be above 0');
            $row->sound() && $alternatives[] = $alternative;
        }

        return $alternatives;
    }

    /** @return list<SetupChange> */
    private function setupChanges(): array
    {
        $changes = [];
        foreach ($this->files->rows('setup_changes.csv') as $row) {
            $change = new SetupChange($row->reference('work_centre', $this->centres, 'work centre'), $row->text('from_family'), $row->text('to_family'), $row->quantity('setup_min', self::FINEST));
            $this->files->unique('setup_changes.csv', $row, [$change->workCentre, $change->fromFamily, $change->toFamily]);
            $row->sound() && $changes[] = $change;
        }

        return $changes;
    }

    /** @return list<OrderOperation> */
    private function orderOperations(): array
    {
        $operations = [];
        foreach ($this->files->rows('order_operations.csv') as $row) {
            $operation = new OrderOperation(
                $row->reference('order', $this->transactions->orders, 'order'), $row->whole('op', 0, 999_999), $row->reference('work_centre', $this->centres, 'work centre'),
                $row->quantity('setup_min', self::FINEST, 0), $row->quantity('run_min', self::FINEST, 0), $row->whole('crew', 1, self::MOST_UNITS, 1),
                $row->quantity('done_qty', self::FINEST, 0), $row->isEmpty('start') ? null : $this->instant($row, 'start'), $row->isEmpty('end') ? null : $this->instant($row, 'end'), $row->flag('fixed'),
            );
            $this->files->unique('order_operations.csv', $row, [$operation->order, $operation->op]);
            $row->sound() && $operations[] = $operation;
        }

        return $operations;
    }
}
