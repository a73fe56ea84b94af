<?php

declare(strict_types=1);

namespace App\Intake;

use App\Planning\TableMap;
use App\Reading\RowSentences;
use App\Reading\Shapes\BroughtColumn;
use App\Reading\Shapes\BroughtRow;
use App\Reading\Shapes\BroughtRows;
use App\Reading\Shapes\RowFate;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\Substitute;
use Yposta\Core\Study\PutRows;

/**
 * A table that somebody brings, held against the rows that stand: each of its rows is new, changes one, says nothing else, or is wrong. What it
 * has no column for stays as it is, or is what it usually is. Nothing is written here.
 */
final class BroughtTable
{
    /** Rows that tell what the columns are. */
    private const LOOKED_AT = 400;

    /** Rows that are shown, and of a column. */
    private const SHOWN = 200;

    private const SAMPLES = 3;

    /** What tells rows without a key apart, by class: the first of these of which all that must be filled are brought. */
    private const TOLD_BY = [
        BomLine::class => [['item', 'site', 'line'], ['item', 'site', 'component']],
        Substitute::class => [['item', 'component', 'substitute']],
        OperationAlternative::class => [['item', 'site', 'op', 'workCentre']],
    ];

    /** Numbers of new lines of a structure go up by so much. */
    private const LINE_STEP = 10;

    private readonly Declaration $declaration;

    /** @var list<string> properties that tell rows apart */
    private array $toldBy = [];

    /** @var array<string, object> the rows that stand, by what tells them apart */
    private array $known = [];

    /** @var array<string, int> the highest number of a line, by item */
    private array $lines = [];

    /** @var list<object> */
    private array $new = [];

    /** @var list<list<string>> */
    private array $removed = [];

    /** @param  string  $kind  one of {@see PutRows::KINDS} */
    public function __construct(private readonly string $kind, private readonly TableFile $file)
    {
        $this->declaration = Declaration::of(PutRows::KINDS[$kind]);
    }

    /** What is to be written; see {@see look()}, which finds it. */
    public function change(): PutRows
    {
        return new PutRows($this->declaration->class, $this->new, $this->removed);
    }

    /**
     * @param  list<string>|null  $mapping  the property of each column, empty where it is left out; null to find it by the heads
     * @param  bool|null  $hasHead  whether the first row names the columns; null to find out
     * @param  string|null  $decimal  `point` or `comma`; null to find out
     */
    public function look(?array $mapping, ?bool $hasHead, ?string $decimal): BroughtRows
    {
        $first = $this->firstRows();
        $hasHead ??= array_filter($this->matched($first[0] ?? [])) !== [];
        $mapping ??= $hasHead ? $this->matched($first[0] ?? []) : [];
        $mapping = array_map(fn (string $property) => isset($this->declaration->columns[$property]) ? $property : '', $mapping);
        $mapped = array_unique(array_filter($mapping, fn (string $property) => $property !== ''));
        $decimal ??= $this->decimal($mapping, array_slice($first, $hasHead ? 1 : 0));
        $columns = $this->columns($first, $mapping, $hasHead);
        $missing = $this->missing($mapped);
        if ($mapped === [] || $missing !== []) {
            return new BroughtRows($columns, $hasHead, $decimal, null, 0, 0, 0, 0, [], $missing);
        }
        $cells = new CellText($decimal, $this->words());
        $this->readKnown($mapped);
        $counts = array_fill_keys(array_column(RowFate::cases(), 'value'), 0);
        $shown = $seen = [];
        $in = new KnownCodes;
        $number = 0;
        foreach ($this->file->rows() as $line => $fields) {
            if ($number++ === 0 && $hasHead) {
                continue;
            }
            $row = $this->row($line, $fields, $mapping, $cells, $in, $seen);
            $counts[$row->fate->value]++;
            if ($row->fate !== RowFate::Same && count($shown[$row->fate->value] ?? []) < self::SHOWN) {
                $shown[$row->fate->value][] = $row;
            }
        }
        $rows = [...$shown[RowFate::Wrong->value] ?? [], ...$shown[RowFate::Changed->value] ?? [], ...$shown[RowFate::New->value] ?? []];

        return new BroughtRows(
            $columns, $hasHead, $decimal, $cells->ambiguous, $counts[RowFate::New->value], $counts[RowFate::Changed->value],
            $counts[RowFate::Same->value], $counts[RowFate::Wrong->value], array_slice($rows, 0, self::SHOWN), [],
        );
    }

    /**
     * @param  list<string>  $fields
     * @param  list<string>  $mapping
     * @param  array<string, int>  $seen  lines by what tells their rows apart
     */
    private function row(int $line, array $fields, array $mapping, CellText $cells, KnownCodes $in, array &$seen): BroughtRow
    {
        $values = $faults = [];
        foreach ($mapping as $place => $property) {
            $column = $this->declaration->columns[$property] ?? null;
            if ($column === null) {
                continue;
            }
            $text = $cells->of($column, $fields[$place] ?? '');
            try {
                if ($text !== '') {
                    $values[$property] = $column->type()->parse($text);
                } elseif ($column->mustBeFilled) {
                    $faults[] = Fault::of('empty')->in($property);
                } elseif ($column->column->default !== null) {
                    $values[$property] = $column->defaultValue();
                }
            } catch (InvalidField $trouble) {
                $faults[] = $trouble->fault->in($property);
            }
        }
        if ($faults !== []) {
            return $this->wrong($line, implode(' ', array_slice($fields, 0, 2)), $faults);
        }
        $key = $this->keyOf($values);
        $old = $key === null ? null : $this->known[$key] ?? null;
        if ($old === null && isset($this->declaration->columns['line'], $values['item']) && is_string($values['item'])) {
            $values['line'] ??= $this->nextLine($values['item']);
        }
        $values = $old === null ? $values : [...get_object_vars($old), ...$values];
        $missing = array_filter($this->declaration->columns, fn (DeclaredColumn $column) => $column->mustBeFilled && ! array_key_exists($column->property, $values));
        if ($missing !== []) {
            return $this->wrong($line, (string) implode(' ', array_slice($fields, 0, 2)), array_values(array_map(
                fn (DeclaredColumn $column) => Fault::of('empty')->in($column->property), $missing,
            )));
        }
        $row = $this->declaration->class::fromValues($this->declaration->complete($values));
        assert(is_object($row));
        $faults = $this->declaration->faults($row, $in);
        $before = $key === null ? null : $seen[$key] ?? null;
        $before === null || $faults[] = Fault::of('twice', ['key' => str_replace("\x1f", ' ', (string) $key), 'line' => (string) $before]);
        $key === null || $seen[$key] ??= $line;
        if ($faults !== []) {
            return $this->wrong($line, $this->named($row), $faults);
        }

        return $this->placed($line, $old, $row, $key);
    }

    private function placed(int $line, ?object $old, object $row, ?string $key): BroughtRow
    {
        $isSame = $old !== null
            ? $this->declaration->fields($old) === $this->declaration->fields($row)
            : $key === null && isset($this->known[implode("\x1f", $this->declaration->identity($row))]);
        if ($isSame) {
            return new BroughtRow($line, RowFate::Same, '', '');
        }
        $this->new[] = $row;
        if ($old !== null && $this->declaration->file->key === []) {
            $this->removed[] = $this->declaration->identity($old);
        }

        return new BroughtRow(
            $line, $old === null ? RowFate::New : RowFate::Changed, $this->named($row), $old === null ? '' : RowSentences::differences($old, $row),
        );
    }

    /** @param  list<Fault>  $faults */
    private function wrong(int $line, string $named, array $faults): BroughtRow
    {
        return new BroughtRow($line, RowFate::Wrong, $named, implode('; ', array_map(function (Fault $fault): string {
            $column = $fault->property === null ? null : $this->declaration->columns[$fault->property] ?? null;

            return implode(' ', array_filter([$column === null ? '' : $this->label($column).':', Words::say($fault->problem)]));
        }, $faults)));
    }

    /** @return list<list<string>> */
    private function firstRows(): array
    {
        $rows = [];
        foreach ($this->file->rows() as $fields) {
            $rows[] = $fields;
            if (count($rows) > self::LOOKED_AT) {
                break;
            }
        }

        return $rows;
    }

    /**
     * The property of each column by its head: the name in the file, or what the page calls it.
     *
     * @param  list<string>  $heads
     * @return list<string> empty where none fits
     */
    private function matched(array $heads): array
    {
        $plain = fn (string $text): string => (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower($text));
        $names = [];
        foreach ($this->declaration->columns as $property => $column) {
            $names[$plain($column->name)] ??= $property;
            $names[$plain($this->label($column))] ??= $property;
            $names[$plain($property)] ??= $property;
        }
        // what stands above another is what a structure calls its item
        $this->declaration->class === BomLine::class && $names += ['parent' => 'item', 'quantity' => 'qty'];
        $taken = $mapping = [];
        foreach ($heads as $head) {
            $property = $names[$plain($head)] ?? '';
            $mapping[] = isset($taken[$property]) ? '' : $property;
            $taken[$property] = true;
        }

        return $mapping;
    }

    /**
     * @param  list<string>  $mapping
     * @param  list<list<string>>  $rows
     */
    private function decimal(array $mapping, array $rows): ?string
    {
        $cells = [];
        foreach ($mapping as $place => $property) {
            $type = isset($this->declaration->columns[$property]) ? $this->declaration->columns[$property]->type() : null;
            if ($type instanceof Decimal || $type instanceof Whole) {
                array_push($cells, ...array_column($rows, $place));
            }
        }

        return CellText::decimalOf($cells);
    }

    /**
     * @param  list<list<string>>  $first
     * @param  list<string>  $mapping
     * @return list<BroughtColumn>
     */
    private function columns(array $first, array $mapping, bool $hasHead): array
    {
        $columns = [];
        $wide = $first === [] ? 0 : max(array_map(count(...), $first));
        for ($place = 0; $place < $wide; $place++) {
            $cells = array_filter(array_column(array_slice($first, $hasHead ? 1 : 0), $place), fn (string $cell) => $cell !== '');
            $columns[] = new BroughtColumn(
                $hasHead ? $first[0][$place] ?? '' : '', $mapping[$place] ?? '', array_slice(array_values($cells), 0, self::SAMPLES),
            );
        }

        return $columns;
    }

    /**
     * @param  array<string>  $mapped
     * @return list<string> labels of what is needed and not brought: a row can be found, or be new
     */
    private function missing(array $mapped): array
    {
        $needed = $this->declaration->file->key !== []
            ? array_filter($this->declaration->file->key, fn (string $property) => $this->declaration->columns[$property]->mustBeFilled)
            : array_keys(array_filter($this->declaration->columns, fn (DeclaredColumn $column) => $column->mustBeFilled && $column->property !== 'line'));

        return array_values(array_map(
            fn (string $property) => $this->label($this->declaration->columns[$property]), array_diff($needed, $mapped),
        ));
    }

    /** @param  array<string>  $mapped */
    private function readKnown(array $mapped): void
    {
        $this->toldBy = $this->declaration->file->key;
        foreach (self::TOLD_BY[$this->declaration->class] ?? [] as $properties) {
            $needed = array_filter($properties, fn (string $property) => $this->declaration->columns[$property]->mustBeFilled);
            if ($this->toldBy === [] && array_diff($needed, $mapped) === []) {
                $this->toldBy = $properties;
            }
        }
        $map = TableMap::of($this->declaration->class);
        foreach (DB::table($map->table)->cursor() as $stored) {
            $row = $map->object($stored);
            $values = get_object_vars($row);
            $this->known[$this->keyOf($values) ?? implode("\x1f", $this->declaration->identity($row))] = $row;
            if ($row instanceof BomLine && ctype_digit($row->line)) {
                $this->lines[$row->item] = max($this->lines[$row->item] ?? 0, (int) $row->line);
            }
        }
    }

    /** @param  array<mixed>  $values  by property */
    private function keyOf(array $values): ?string
    {
        if ($this->toldBy === []) {
            return null;
        }
        $parts = [];
        foreach ($this->toldBy as $property) {
            $value = $values[$property] ?? $this->declaration->columns[$property]->defaultValue();
            $parts[] = $value === null ? '' : $this->declaration->columns[$property]->type()->write($value);
        }

        return implode("\x1f", $parts);
    }

    private function nextLine(string $item): string
    {
        $this->lines[$item] = ($this->lines[$item] ?? 0) + self::LINE_STEP;

        return (string) $this->lines[$item];
    }

    private function named(object $row): string
    {
        $parts = $this->declaration->file->key === [] ? array_slice($this->declaration->identity($row), 0, 4) : $this->declaration->identity($row);

        return implode(' ', array_filter($parts, fn (string $part) => $part !== ''));
    }

    private function label(DeclaredColumn $column): string
    {
        return (string) trans("data.columns.{$column->name}");
    }

    /** @return array<string, string> */
    private function words(): array
    {
        $words = [];
        foreach ((array) trans('data.choices') as $value => $word) {
            is_string($word) && $words[mb_strtolower($word)] = (string) $value;
        }

        return $words;
    }
}
