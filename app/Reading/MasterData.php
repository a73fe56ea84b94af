<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\RowFingerprints;
use App\Planning\TableMap;
use App\Reading\Shapes\DataCount;
use App\Reading\Shapes\DataField;
use App\Reading\Shapes\DataKind;
use App\Reading\Shapes\DataRecord;
use App\Reading\Shapes\DataRecords;
use App\Reading\Shapes\DataShelf;
use App\Reading\Shapes\LabelledValue;
use App\Support\Settings;
use Illuminate\Database\Query\Builder;
use LogicException;
use stdClass;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\ClockTime;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Weekdays;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\Stock;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\RowCodec;

/**
 * The rows of one kind of master data, and what its columns are: all from what the kind declares.
 *
 * @phpstan-import-type Sheet from Sheets
 */
final readonly class MasterData
{
    /** What stands together, in the order in which a company brings it. */
    private const SHELVES = [
        'items' => ['items', 'planning', 'bom', 'substitutes', 'alternatives'],
        'suppliers' => ['suppliers', 'supplier_items', 'price_breaks'],
        'work' => ['work_centres', 'shifts', 'closures', 'operations', 'operation_alternatives', 'setup_changes'],
        'time' => ['sites', 'calendars', 'calendar_days'],
        'demand' => ['sales', 'jobs', 'job_activities', 'job_lines', 'forecast_names', 'forecasts', 'stock', 'orders'],
    ];

    /** Kinds by the name of their file: what people keep as rows, stock, which they count, and orders, which have a life. */
    public const KINDS = PutRows::KINDS + ['stock' => Stock::class, 'orders' => OpenOrder::class];

    /** What is not looked through. */
    private const NOT_SEARCHED = [
        Decimal::class, Whole::class, Flag::class, DayColumn::class, Instant::class, ClockTime::class, Choice::class, Weekdays::class,
    ];

    private Declaration $declaration;

    /** @param  string  $kind  one of {@see KINDS} */
    public function __construct(private string $kind)
    {
        $this->declaration = Declaration::of(self::KINDS[$kind]);
    }

    /** @return list<string> names of all kinds */
    public static function kinds(): array
    {
        return array_keys(self::KINDS);
    }

    /** @return list<string> names of those whose rows are written one by one */
    public static function typedKinds(): array
    {
        return array_keys(PutRows::KINDS);
    }

    /**
     * What a new row begins with in this company, where its columns alone say otherwise.
     *
     * @param  class-string  $class
     * @return array<string, string> by property
     */
    public static function begins(string $class): array
    {
        $calendar = $class === Site::class ? Settings::calendar() : '';

        return $calendar === '' ? [] : ['calendar' => $calendar];
    }

    /** The kind of that name; the items where there is none. */
    public static function named(string $kind): self
    {
        return new self(isset(self::KINDS[$kind]) ? $kind : 'items');
    }

    /** @return list<DataShelf> */
    public static function shelves(): array
    {
        $shelves = [];
        foreach (self::SHELVES as $name => $kinds) {
            $shelves[] = new DataShelf((string) trans("data.groups.{$name}"), array_map(fn (string $kind) => new DataCount(
                $kind, (string) trans("data.kinds.{$kind}.title"), NetworkReader::table(self::KINDS[$kind])->count(),
            ), $kinds));
        }

        return $shelves;
    }

    /** @return array<string, DeclaredColumn> the columns that people fill in, by property */
    public static function typed(Declaration $declaration): array
    {
        return array_diff_key($declaration->columns, array_flip(PutRows::NOT_TYPED));
    }

    public function kind(): DataKind
    {
        $said = fn (string $what) => (string) trans("data.kinds.{$this->kind}.{$what}");

        return new DataKind(
            $this->kind, $said('title'), $said('one'), $said('many'),
            array_values(array_map($this->field(...), self::typed($this->declaration))), isset(PutRows::KINDS[$this->kind]),
        );
    }

    /**
     * The columns of its table that it can be sorted by, by property.
     *
     * @return array<string, string>
     */
    public function sorted(): array
    {
        return array_map(fn (DeclaredColumn $column) => 't.'.$column->kept, $this->declaration->columns);
    }

    /**
     * All rows as a table, whose heads and values can be brought in again.
     *
     * @return Sheet
     */
    public function sheet(string $text, ListOrder $order): array
    {
        $columns = [];
        foreach ($this->declaration->columns as $column) {
            $type = $column->type();
            $columns[$column->name] = match (true) {
                $type instanceof Decimal, $type instanceof Whole => 'number',
                $type instanceof DayColumn => 'date',
                default => 'text',
            };
        }
        $map = TableMap::of($this->declaration->class);

        return ['name' => $this->kind, 'columns' => $columns, 'rows' => (function () use ($text, $order, $map): iterable {
            foreach ($this->query($text, $order)->cursor() as $row) {
                yield $this->declaration->fields($map->object($row));
            }
        })()];
    }

    /** @param  int  $from  place in the list */
    public function rows(string $text, ListOrder $order, int $from = 0, int $rows = ListOrder::ROWS): DataRecords
    {
        $query = $this->query($text, $order);
        $total = (clone $query)->reorder()->count();
        $map = TableMap::of($this->declaration->class);

        return new DataRecords(
            array_values($query->offset($from)->limit($rows)->get(['t.*'])
                ->map(fn (stdClass $row) => self::recordOf($map->object($row)))->all()),
            $total,
        );
    }

    /** The property by which its rows name something of another kind, or are it. */
    public function naming(string $of): string
    {
        if ($of === $this->kind) {
            return $this->declaration->file->key[0];
        }
        foreach ($this->declaration->columns as $column) {
            $type = $column->type();
            if ($type instanceof RowOf && $type->class === self::KINDS[$of]) {
                return $column->property;
            }
        }
        throw new LogicException("{$this->kind} names no {$of}");
    }

    /** Its rows that are about something of another kind, or the one that is it. */
    public function about(string $of, string $code, int $rows): DataRecords
    {
        $query = $this->query('', ListOrder::none())->where('t.'.$this->declaration->columns[$this->naming($of)]->kept, $code);
        $map = TableMap::of($this->declaration->class);
        $total = (clone $query)->reorder()->count();

        return new DataRecords(
            array_values($query->limit($rows)->get()->map(fn (stdClass $row) => self::recordOf($map->object($row)))->all()), $total,
        );
    }

    private function query(string $text, ListOrder $order): Builder
    {
        $query = NetworkReader::table($this->declaration->class)
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, $this->searched(), $text));
        $order->apply($query, $this->sorted());
        foreach ($this->placed() as $column) {
            $query->orderBy($column);
        }

        return $query->select('t.*');
    }

    /** A row as it is shown and sent. */
    public static function recordOf(object $row): DataRecord
    {
        $identity = Declaration::of($row::class)->identity($row);
        $reference = match (true) {
            $row instanceof Stock => (string) Reference::stock(...$identity),
            $row instanceof OpenOrder => (string) $row->reference(),
            default => RowFingerprints::names(new PutRows($row::class, [$row]))[0],
        };
        /** @var array<string, string|int|bool|null> $values no master data has a list in a column */
        $values = RowCodec::encode($row);

        return new DataRecord($identity, $reference, $values);
    }

    private function field(DeclaredColumn $column): DataField
    {
        $type = $column->type();
        $choices = $type instanceof Choice ? $type->choices() : [];

        return new DataField(
            name: $column->property, label: $this->label($column),
            type: match (true) {
                $type instanceof RowOf => 'row',
                $type instanceof Code => 'code',
                $type instanceof Decimal => 'decimal',
                $type instanceof Whole => 'whole',
                $type instanceof Flag => 'flag',
                $type instanceof Choice => 'choice',
                $type instanceof DayColumn => 'day',
                $type instanceof Instant => 'instant',
                $type instanceof ClockTime => 'clock',
                $type instanceof Weekdays => 'weekdays',
                default => 'text',
            },
            choices: array_map(fn (string $choice) => new LabelledValue((string) trans("data.choices.{$choice}"), $choice), $choices),
            of: $type instanceof RowOf ? ((string) array_search($type->class, self::KINDS, true) ?: null) : null,
            isNeeded: $column->mustBeFilled,
            isKey: in_array($column->property, $this->declaration->file->key, true),
            usual: self::begins($this->declaration->class)[$column->property] ?? (string) $column->column->default,
        );
    }

    private function label(DeclaredColumn $column): string
    {
        return (string) trans("data.columns.{$column->name}");
    }

    /** @return list<string> what is looked through: codes and texts */
    private function searched(): array
    {
        return array_values(array_map(fn (DeclaredColumn $column) => 't.'.$column->kept, array_filter(
            $this->declaration->columns,
            fn (DeclaredColumn $column) => ! array_filter(
                self::NOT_SEARCHED,
                fn (string $class) => $column->type() instanceof $class,
            ),
        )));
    }

    /** @return list<string> the columns by which its own order is */
    private function placed(): array
    {
        $properties = $this->declaration->file->key ?: array_slice(array_keys($this->declaration->columns), 0, 3);

        return array_map(fn (string $property) => 't.'.$this->declaration->columns[$property]->kept, $properties);
    }
}
