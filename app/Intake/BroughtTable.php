<?php

declare(strict_types=1);

namespace App\Intake;

use App\Reading\MasterData;
use App\Reading\RowSentences;
use App\Reading\Shapes\BroughtRow;
use App\Reading\Shapes\BroughtRows;
use App\Reading\Shapes\RowFate;
use App\Support\NumberStyle;
use App\Support\Words;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\Stock;
use Yposta\Core\Study\BringOrders;
use Yposta\Core\Study\CountRows;
use Yposta\Core\Study\PutRows;

/**
 * A table that somebody brings, held against the rows that stand: each of its rows is new, changes one, says nothing else, or is wrong.
 * What it has no column for stays as it is, or is what it usually is. Nothing is written here.
 */
final class BroughtTable
{
    /** Rows that tell what the columns are. */
    private const LOOKED_AT = 400;

    /** Rows that are shown. */
    private const SHOWN = 200;

    private readonly Declaration $declaration;

    private readonly ColumnMatch $match;

    private readonly KnownCodes $codes;

    /** @var list<object> */
    private array $new = [];

    /** @var list<list<string>> */
    private array $removed = [];

    /** @param  string  $kind  one of {@see MasterData::KINDS} */
    public function __construct(string $kind, private readonly TableFile $file)
    {
        $this->declaration = Declaration::of(MasterData::KINDS[$kind]);
        $this->match = new ColumnMatch($this->declaration);
        $this->codes = new KnownCodes;
    }

    /** What is to be written; see {@see look()}, which finds it. */
    public function change(): PutRows|CountRows|BringOrders
    {
        return match ($this->declaration->class) {
            Stock::class => new CountRows(array_values(array_filter($this->new, fn (object $row) => $row instanceof Stock))),
            OpenOrder::class => new BringOrders(array_values(array_filter($this->new, fn (object $row) => $row instanceof OpenOrder))),
            default => new PutRows($this->declaration->class, $this->new, $this->removed),
        };
    }

    /**
     * @param  list<string>|null  $mapping  the property of each column, empty where it is left out; null to find it by the heads
     * @param  bool|null  $hasHead  whether the first row names the columns; null to find out
     * @param  string|null  $decimal  `point` or `comma`; null to find out
     */
    public function look(?array $mapping, ?bool $hasHead, ?string $decimal): BroughtRows
    {
        $first = $this->firstRows();
        $hasHead ??= array_filter($this->match->matched($first[0] ?? [])) !== [];
        $mapping ??= $hasHead ? $this->match->matched($first[0] ?? []) : [];
        $typed = MasterData::typed($this->declaration);
        $mapping = array_map(fn (string $property) => isset($typed[$property]) ? $property : '', $mapping);
        $mapped = array_unique(array_filter($mapping, fn (string $property) => $property !== ''));
        $decimal ??= $this->match->decimal($mapping, array_slice($first, $hasHead ? 1 : 0));
        $columns = $this->match->columns($first, $mapping, $hasHead);
        $missing = $this->match->missing($mapped);
        if ($mapped === [] || $missing !== []) {
            return new BroughtRows(columns: $columns, hasHead: $hasHead, decimal: $decimal, missing: $missing);
        }
        $cells = new CellText($decimal, $this->match->words(), NumberStyle::now()->name());
        $standing = new StandingRows($this->declaration, $mapped);
        $counts = array_fill_keys(array_column(RowFate::cases(), 'value'), 0);
        $shown = $seen = [];
        $number = 0;
        foreach ($this->file->rows() as $line => $fields) {
            if ($number++ === 0 && $hasHead) {
                continue;
            }
            $row = $this->fate($line, $fields, $this->values($fields, $mapping, $cells), $standing, $seen);
            $counts[$row->fate->value]++;
            if ($row->fate !== RowFate::Same && count($shown[$row->fate->value] ?? []) < self::SHOWN) {
                $shown[$row->fate->value][] = $row;
            }
        }
        $rows = [...$shown[RowFate::Wrong->value] ?? [], ...$shown[RowFate::Changed->value] ?? [], ...$shown[RowFate::New->value] ?? []];

        return new BroughtRows(
            columns: $columns, hasHead: $hasHead, decimal: $decimal, ambiguous: $cells->ambiguous, new: $counts[RowFate::New->value],
            changed: $counts[RowFate::Changed->value], same: $counts[RowFate::Same->value], wrong: $counts[RowFate::Wrong->value],
            rows: array_slice($rows, 0, self::SHOWN),
        );
    }

    /**
     * @param  list<string>  $fields
     * @param  list<string>  $mapping
     * @return array{array<string, mixed>, list<Fault>} values by property, and what is wrong with them
     */
    private function values(array $fields, array $mapping, CellText $cells): array
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

        return [$values, $faults];
    }

    /**
     * The row of some values, and the one in whose place it comes.
     *
     * @param  array<string, mixed>  $values  by property
     * @return array{object|null, object|null, list<Fault>}
     */
    private function row(array $values, StandingRows $standing): array
    {
        $old = $standing->of($standing->keyOf($values));
        if ($old === null && isset($this->declaration->columns['line'], $values['item']) && is_string($values['item'])) {
            $values['line'] ??= $standing->nextLine($values['item']);
        }
        $values = [...$old === null ? MasterData::begins($this->declaration->class) : get_object_vars($old), ...$values];
        $missing = array_filter(
            $this->declaration->columns,
            fn (DeclaredColumn $column) => $column->mustBeFilled && ! array_key_exists($column->property, $values),
        );
        if ($missing !== []) {
            return [null, $old, array_values(array_map(fn (DeclaredColumn $column) => Fault::of('empty')->in($column->property), $missing))];
        }
        $row = $this->declaration->class::fromValues($this->declaration->complete($values));
        assert(is_object($row));

        return [$row, $old, $this->declaration->faults($row, $this->codes)];
    }

    /**
     * @param  list<string>  $fields
     * @param  array{array<string, mixed>, list<Fault>}  $read  see {@see values()}
     * @param  array<string, int>  $seen  lines by what tells their rows apart
     */
    private function fate(int $line, array $fields, array $read, StandingRows $standing, array &$seen): BroughtRow
    {
        [$values, $faults] = $read;
        $named = implode(' ', array_slice($fields, 0, 2));
        if ($faults !== []) {
            return $this->wrong($line, $named, $faults);
        }
        [$row, $old, $faults] = $this->row($values, $standing);
        $key = $standing->keyOf($values);
        if ($key !== null && isset($seen[$key])) {
            $faults[] = Fault::of('twice', ['key' => str_replace("\x1f", ' ', $key), 'line' => (string) $seen[$key]]);
        }
        $key === null || $seen[$key] ??= $line;
        if ($row === null || $faults !== []) {
            return $this->wrong($line, $row === null ? $named : $this->declaration->called($row), $faults);
        }
        if ($old === null ? $standing->holds($row) : $this->declaration->fields($old) === $this->declaration->fields($row)) {
            return new BroughtRow($line, RowFate::Same, '', '');
        }
        $this->new[] = $row;
        $old !== null && $this->declaration->file->key === [] && $this->removed[] = $this->declaration->identity($old);

        return new BroughtRow(
            $line, $old === null ? RowFate::New : RowFate::Changed, $this->declaration->called($row),
            $old === null ? '' : RowSentences::differences($old, $row),
        );
    }

    /** @param  list<Fault>  $faults */
    private function wrong(int $line, string $named, array $faults): BroughtRow
    {
        return new BroughtRow($line, RowFate::Wrong, $named, implode('; ', array_map(function (Fault $fault): string {
            $column = $fault->property === null ? null : $this->declaration->columns[$fault->property] ?? null;

            return implode(' ', array_filter([$column === null ? '' : $this->match->label($column).':', Words::say($fault->problem)]));
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
}
