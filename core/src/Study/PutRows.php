<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use InvalidArgumentException;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\ForecastName;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobHeading;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\NetworkSurroundings;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\PriceBreak;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\SetupChange;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\Substitute;
use Yposta\Core\Network\Supplier;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Network\Uses;
use Yposta\Core\Network\WorkCentre;
use Yposta\Core\Network\WrittenRows;
use Yposta\Core\Support\Phrase;

/**
 * Writes rows of one kind of master data or demand, and takes others away. A row takes the place of the one with its key; rows without a
 * key are changed by taking the old one away. What belongs to a row that goes, goes with it; what is named elsewhere stays.
 */
final readonly class PutRows implements Change, Flat
{
    /** What has happened to a row, which nobody types. */
    public const NOT_TYPED = ['received', 'shipped', 'heldUntil', 'answered', 'blocked', 'owed', 'issued'];

    /** Kinds that people keep as rows, by the name of their file. */
    public const KINDS = [
        'calendars' => CalendarWeek::class, 'calendar_days' => CalendarDay::class, 'sites' => Site::class, 'items' => Item::class,
        'suppliers' => Supplier::class, 'supplier_items' => SupplierItem::class, 'price_breaks' => PriceBreak::class,
        'planning' => Planning::class, 'alternatives' => SupplyAlternative::class, 'bom' => BomLine::class,
        'substitutes' => Substitute::class, 'work_centres' => WorkCentre::class, 'shifts' => Shift::class, 'closures' => Closure::class,
        'operations' => Operation::class, 'operation_alternatives' => OperationAlternative::class, 'setup_changes' => SetupChange::class,
        'sales' => SalesLine::class, 'jobs' => JobHeading::class, 'job_activities' => JobActivity::class, 'job_lines' => JobLine::class,
        'forecast_names' => ForecastName::class, 'forecasts' => ForecastBucket::class,
    ];

    /** What belongs to a row, by its class: the classes of those rows, and the property in which they name it. */
    private const BELONGS = [
        Item::class => ['item', [
            Planning::class, SupplierItem::class, PriceBreak::class, SupplyAlternative::class, BomLine::class, Substitute::class,
            Operation::class, OperationAlternative::class,
        ]],
        WorkCentre::class => ['workCentre', [Shift::class, Closure::class, SetupChange::class]],
        CalendarWeek::class => ['calendar', [CalendarDay::class]],
        JobHeading::class => ['job', [JobActivity::class, JobLine::class]],
    ];

    /** So many places where something is used are named. */
    private const NAMED = 3;

    /**
     * @param  class-string  $class  one of {@see KINDS}
     * @param  list<object>  $rows  of that class, each once
     * @param  list<list<string>>  $removed  see {@see Declaration::identity()}
     */
    public function __construct(public string $class, public array $rows, public array $removed = [])
    {
    }

    /** The name of the kind. */
    public function kind(): string
    {
        return (string) array_search($this->class, self::KINDS, true);
    }

    public function apply(Network $network): Network
    {
        $declaration = Declaration::of($this->class);
        $name = fn (object $row): string => implode("\x1f", $declaration->identity($row));
        $removed = array_fill_keys(array_map(fn (array $parts) => implode("\x1f", $parts), $this->removed), true);
        $new = [];
        foreach ($this->rows as $row) {
            $new[$name($row)] = $row;
        }
        $kept = [];
        foreach ($network->rows($this->class) as $row) {
            $own = $name($row);
            if (isset($removed[$own])) {
                unset($removed[$own]);
            } else {
                $kept[] = $new[$own] ?? $row;
                unset($new[$own]);
            }
        }
        $removed === [] || throw DoesNotFit::because('row_gone', ['row' => str_replace("\x1f", ' ', trim((string) array_key_first($removed)))]);
        $code = $declaration->code();
        $gone = $code === null ? [] : array_diff_key(
            array_fill_keys(array_map(fn (array $parts) => $parts[0], $this->removed), true), $new,
        );
        $after = $this->written($this->withoutOwn($network, $gone), $this->class, [...$kept, ...array_values($new)]);
        $after = match ($this->class) {
            SalesLine::class => TypedSales::checked($network, $after),
            JobHeading::class, JobActivity::class, JobLine::class => TypedJobs::checked($network, $after),
            default => $after,
        };
        $this->checkUses($after, $gone);
        $this->checkDecimals($network, $after);
        foreach (TableChecks::faults($this->class, $network, $after) as $problem) {
            throw new DoesNotFit($problem);
        }

        return $after;
    }

    public function inverse(Network $before): array
    {
        $back = $taken = [];
        $after = $this->apply($before);
        $pairsOf = WrittenRows::between($before, $after)->byClass();
        unset($pairsOf[Allocation::class]);
        foreach ($pairsOf as $class => $pairs) {
            $declaration = Declaration::of($class);
            $old = $added = [];
            foreach ($pairs as [$was, $is]) {
                $was === null ? $added[] = $declaration->identity($is ?? throw new InvalidArgumentException) : $old[] = $was;
            }
            $stock = array_filter($old, fn (object $row) => $row instanceof Stock);
            array_push($taken, ...array_map(fn (Stock $row) => new ChangeStock($row->item, $row->site, $row->qty), array_values($stock)));
            $stock === [] && $back[] = new self($class, $old, $added);
        }

        return [...$back, ...$taken, ...StockRows::holdsBack($before, $after)];
    }

    /** @return list<list<string>> of all rows that are written or taken away, see {@see Declaration::identity()} */
    public function identities(): array
    {
        return [...array_map(Declaration::of($this->class)->identity(...), $this->rows), ...$this->removed];
    }

    /** @return list<string> what the rows are about: an item, a supplier, a centre, a calendar; each once */
    public function records(): array
    {
        $place = self::placeOfRecord($this->class);

        return array_values(array_unique(array_map(fn (array $parts) => $parts[$place] ?? '', $this->identities())));
    }

    /**
     * @param  class-string  $class  one of {@see KINDS}
     * @return iterable<array{object, string}> all rows of it, and what each is about
     */
    public static function about(string $class, Network $network): iterable
    {
        $declaration = Declaration::of($class);
        $place = self::placeOfRecord($class);
        foreach ($network->rows($class) as $row) {
            yield [$row, $declaration->identity($row)[$place]];
        }
    }

    /** @param  class-string  $class */
    private static function placeOfRecord(string $class): int
    {
        $declaration = Declaration::of($class);
        $names = $declaration->file->key ?: array_keys($declaration->columns);

        return (int) array_search(array_values(array_intersect(['code', 'job', 'item', 'workCentre', 'calendar'], $names))[0], $names, true);
    }

    public function toFields(): array
    {
        return ['kind' => $this->kind(), 'rows' => array_map(RowCodec::encode(...), $this->rows), 'removed' => $this->removed];
    }

    public static function fromFields(array $fields): self
    {
        $class = self::KINDS[is_string($fields['kind'] ?? null) ? $fields['kind'] : ''] ?? throw InvalidChange::missing('kind');
        $unknown = array_key_first(array_diff_key($fields, ['kind' => 1, 'rows' => 1, 'removed' => 1]));
        $unknown === null || throw InvalidChange::unknown($unknown);
        $declaration = Declaration::of($class);
        $rows = [];
        foreach (self::listed($fields, 'rows') as $plain) {
            $row = is_array($plain) ? RowCodec::decode($class, $plain) : throw InvalidChange::wrong('rows');
            $name = implode("\x1f", $declaration->identity($row));
            isset($rows[$name]) && throw InvalidChange::wrong('rows', new Phrase('change.row_twice', ['row' => str_replace("\x1f", ' ', $name)]));
            $rows[$name] = $row;
        }
        $long = count($declaration->file->key ?: $declaration->columns);
        $removed = [];
        foreach (self::listed($fields, 'removed') as $parts) {
            $isSound = is_array($parts) && array_is_list($parts) && count($parts) === $long
                && array_filter($parts, fn (mixed $part) => $part !== null && ! is_string($part)) === [];
            // what is empty may have become nothing on its way
            $removed[] = $isSound ? array_map(fn (mixed $part) => is_string($part) ? $part : '', $parts) : throw InvalidChange::wrong('removed');
        }

        return new self($class, array_values($rows), $removed);
    }

    /**
     * @param  array<mixed>  $fields
     * @return list<mixed>
     */
    private static function listed(array $fields, string $name): array
    {
        $list = $fields[$name] ?? [];

        return is_array($list) && array_is_list($list) ? $list : throw InvalidChange::wrong($name);
    }

    private static function text(object $row, string $property): string
    {
        $value = get_object_vars($row)[$property] ?? '';

        return is_string($value) ? $value : '';
    }

    /**
     * @param  class-string  $class
     * @param  list<object>  $rows
     */
    private function written(Network $network, string $class, array $rows): Network
    {
        try {
            return $network->withRows($class, $rows);
        } catch (InvalidArgumentException) { // a calendar without a working day
            throw DoesNotFit::because('never_works', ['calendar' => $this->records()[0] ?? '']);
        }
    }

    /** @param  array<string|int, true>  $gone  codes */
    private function withoutOwn(Network $network, array $gone): Network
    {
        [$property, $classes] = self::BELONGS[$this->class] ?? ['', []];
        foreach ($gone === [] ? [] : $classes as $class) {
            $rows = $network->rows($class);
            $left = array_values(array_filter($rows, fn (object $row) => ! isset($gone[self::text($row, $property)])));
            count($left) === count($rows) || $network = $network->withRows($class, $left);
        }

        return $gone === [] || $this->class !== Item::class ? $network : $network->with(stock: array_values(array_filter(
            $network->stock, fn (Stock $row) => ! isset($gone[$row->item]) || [$row->qty, $row->blocked, $row->owed] !== [0, 0, 0],
        )));
    }

    /** @param  array<string|int, true>  $gone  codes */
    private function checkUses(Network $network, array $gone): void
    {
        $places = [];
        $code = '';
        foreach ($gone === [] ? [] : Uses::of($network, $this->class, $gone) as [$row, $property]) {
            $declaration = Declaration::of($row::class);
            $code = self::text($row, $property);
            $called = $declaration->file->key === [] ? array_slice($declaration->identity($row), 0, 1) : $declaration->identity($row);
            $places[$declaration->file->name.implode(' ', $called)] = new Phrase(
                'kinds.'.pathinfo($declaration->file->name, PATHINFO_FILENAME), ['row' => implode(' ', array_filter($called))],
            );
            if (count($places) === self::NAMED) {
                break;
            }
        }
        $places === [] || throw DoesNotFit::because('in_use', ['code' => $code, 'where' => array_values($places)]);
    }

    /** An item that is counted more coarsely than before must not leave finer quantities behind. */
    private function checkDecimals(Network $before, Network $after): void
    {
        $coarser = [];
        foreach ($this->rows as $row) {
            if ($row instanceof Item && $row->decimals < ($before->items[$row->code]->decimals ?? $row->decimals)) {
                $coarser[$row->code] = true;
            }
        }
        $in = new NetworkSurroundings($after);
        foreach ($coarser === [] ? [] : Uses::of($after, Item::class, $coarser) as [$row]) {
            foreach (Declaration::of($row::class)->faults($row, $in) as $fault) {
                $fault->mild || throw Unsound::row($fault->problem);
            }
        }
    }
}
