<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use InvalidArgumentException;
use Yposta\Core\Calendar\Calendar;

/**
 * All that a plan is computed from: what a bundle holds, as immutable objects, each row as its class declares it.
 *
 * References between the parts are codes; whoever builds a network has checked that they exist.
 */
final readonly class Network
{
    /** Where the rows of a class stand. */
    private const PARTS = [
        Site::class => 'sites', Item::class => 'items', Supplier::class => 'suppliers', SupplierItem::class => 'supplierItems',
        PriceBreak::class => 'priceBreaks', Planning::class => 'planning', SupplyAlternative::class => 'supplyAlternatives',
        BomLine::class => 'bom',
        Substitute::class => 'substitutes', Stock::class => 'stock', ForecastName::class => 'forecastNames', ForecastBucket::class => 'forecasts', SalesLine::class => 'sales',
        JobHeading::class => 'jobs', JobActivity::class => 'jobActivities', JobLine::class => 'jobLines',
        OpenOrder::class => 'orders',
        PurchaseDocument::class => 'purchaseDocuments', OrderComponent::class => 'components', Allocation::class => 'allocations', WorkCentre::class => 'workCentres',
        Shift::class => 'shifts', Closure::class => 'closures',
        Operation::class => 'operations', OperationAlternative::class => 'alternatives', SetupChange::class => 'setupChanges',
        OrderOperation::class => 'orderOperations', ProposalOperation::class => 'proposalOperations',
    ];

    /** @var array<string, Calendar> by code */
    public array $calendars;

    /** @var array<string, Site> by code */
    public array $sites;

    /** @var array<string, Item> by code */
    public array $items;

    /** @var array<string, Planning> by {@see key()} of item and site */
    public array $planning;

    /** @var list<BomLine> */
    public array $bom;

    /** @var list<Substitute> */
    public array $substitutes;

    /** @var array<string, Supplier> by code */
    public array $suppliers;

    /** @var list<SupplierItem> */
    public array $supplierItems;

    /** @var list<PriceBreak> */
    public array $priceBreaks;

    /** @var list<SupplyAlternative> */
    public array $supplyAlternatives;

    /** @var list<Stock> */
    public array $stock;

    /** @var array<string, ForecastName> by code */
    public array $forecastNames;

    /** @var list<ForecastBucket> */
    public array $forecasts;

    /** @var list<SalesLine> */
    public array $sales;

    /** @var array<string, JobHeading> by code */
    public array $jobs;

    /** @var list<JobActivity> */
    public array $jobActivities;

    /** @var list<JobLine> */
    public array $jobLines;

    /** @var array<string, OpenOrder> by code */
    public array $orders;

    /** @var list<PurchaseDocument> */
    public array $purchaseDocuments;

    /** @var list<OrderComponent> */
    public array $components;

    /** @var list<Allocation> in the order in which they were fixed, which is the order in which they count */
    public array $allocations;

    /** @var array<string, WorkCentre> by code */
    public array $workCentres;

    /** @var list<Shift> */
    public array $shifts;

    /** @var list<Closure> */
    public array $closures;

    /** @var list<Operation> */
    public array $operations;

    /** @var list<OperationAlternative> */
    public array $alternatives;

    /** @var list<SetupChange> */
    public array $setupChanges;

    /** @var list<OrderOperation> */
    public array $orderOperations;

    /** @var list<ProposalOperation> */
    public array $proposalOperations;

    /** @param  array<mixed>  $parts  of every property, by its name */
    private function __construct(array $parts)
    {
        foreach ($parts as $name => $rows) {
            $this->{(string) $name} = $rows;
        }
    }

    /**
     * A network of some parts, by the names of the properties; the others are empty.
     *
     * @param  array<mixed>  ...$parts
     */
    public static function of(array ...$parts): self
    {
        $all = ['calendars' => [], ...array_fill_keys(array_values(self::PARTS), [])];
        $unknown = array_key_first(array_diff_key($parts, $all));
        $unknown === null || throw new InvalidArgumentException("a network has no {$unknown}");

        return new self([...$all, ...$parts]);
    }

    /**
     * A network of rows by their class.
     *
     * @param  array<class-string, list<object>>  $rows
     *
     * @throws InvalidArgumentException when a calendar has no working day
     */
    public static function ofRows(array $rows): self
    {
        $parts = ['calendars' => Calendars::of($rows[CalendarWeek::class] ?? [], $rows[CalendarDay::class] ?? [])];
        foreach (self::PARTS as $class => $part) {
            $parts[$part] = self::keyed($rows[$class] ?? []);
        }

        return self::of(...$parts);
    }

    /** @return list<class-string> of its rows, those that others refer to first; this is the order of the files of a bundle, too */
    public static function classes(): array
    {
        return [CalendarWeek::class, CalendarDay::class, ...array_keys(self::PARTS)];
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    public function rows(string $class): array
    {
        /** @var array<T> $rows */
        $rows = match ($class) {
            CalendarWeek::class => Calendars::weeks($this->calendars),
            CalendarDay::class => Calendars::days($this->calendars),
            default => get_object_vars($this)[self::PARTS[$class] ?? throw new InvalidArgumentException("a network has no {$class}")],
        };

        return array_values($rows);
    }

    /**
     * The same with other rows of a class.
     *
     * @param  class-string  $class
     * @param  list<object>  $rows
     *
     * @throws InvalidArgumentException when a calendar has no working day
     */
    public function withRows(string $class, array $rows): self
    {
        if (isset(self::PARTS[$class])) {
            return $this->with(...[self::PARTS[$class] => self::keyed($rows)]);
        }

        return $this->with(calendars: $class === CalendarWeek::class
            ? Calendars::of($rows, $this->rows(CalendarDay::class))
            : Calendars::of($this->rows(CalendarWeek::class), $rows));
    }

    /**
     * Whether the rows of a class were left alone; false does not mean that they differ.
     *
     * @param  class-string  $class
     */
    public function isSame(self $other, string $class): bool
    {
        $part = self::PARTS[$class] ?? 'calendars';

        return get_object_vars($this)[$part] === get_object_vars($other)[$part];
    }

    /** The same with other parts, by the names of the properties. */
    public function with(mixed ...$parts): self
    {
        return new self([...get_object_vars($this), ...$parts]);
    }

    /** The key of a planning point. The separator occurs in no code. */
    public static function key(string $item, string $site): string
    {
        return $item."\x1f".$site;
    }

    /**
     * @param  list<object>  $rows
     * @return array<object>
     */
    private static function keyed(array $rows): array
    {
        $keyed = [];
        foreach ($rows as $row) {
            match (true) {
                $row instanceof Planning => $keyed[self::key($row->item, $row->site)] = $row,
                $row instanceof Site, $row instanceof Item, $row instanceof Supplier, $row instanceof OpenOrder,
                $row instanceof WorkCentre, $row instanceof ForecastName, $row instanceof JobHeading => $keyed[$row->code] = $row,
                default => $keyed[] = $row,
            };
        }

        return $keyed;
    }
}
