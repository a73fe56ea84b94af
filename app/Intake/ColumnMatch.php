<?php

declare(strict_types=1);

namespace App\Intake;

use App\Reading\MasterData;
use App\Reading\Shapes\BroughtColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Network\BomLine;

/** Finds out what the columns of a table are that somebody brings: by their heads, or as the person says. */
final readonly class ColumnMatch
{
    /** Values of a column that are shown. */
    private const SAMPLES = 3;

    /** @var array<string, DeclaredColumn> that people fill in, by property */
    private array $columns;

    public function __construct(private Declaration $declaration)
    {
        $this->columns = MasterData::typed($declaration);
    }

    /**
     * The property of each column by its head: the name in the file, or what the page calls it.
     *
     * @param  list<string>  $heads
     * @return list<string> empty where none fits
     */
    public function matched(array $heads): array
    {
        $plain = fn (string $text): string => (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower($text));
        $names = [];
        foreach ($this->columns as $property => $column) {
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
    public function decimal(array $mapping, array $rows): ?string
    {
        $cells = [];
        foreach ($mapping as $place => $property) {
            $type = isset($this->columns[$property]) ? $this->columns[$property]->type() : null;
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
    public function columns(array $first, array $mapping, bool $hasHead): array
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
    public function missing(array $mapped): array
    {
        $needed = $this->declaration->file->key !== []
            ? array_filter($this->declaration->file->key, fn (string $property) => $this->columns[$property]->mustBeFilled)
            : array_keys(array_filter(
                $this->columns, fn (DeclaredColumn $column) => $column->mustBeFilled && $column->property !== 'line',
            ));

        return array_values(array_map(
            fn (string $property) => $this->label($this->columns[$property]), array_diff($needed, $mapped),
        ));
    }

    public function label(DeclaredColumn $column): string
    {
        return (string) trans("data.columns.{$column->name}");
    }

    /** @return array<string, string> */
    public function words(): array
    {
        $words = [];
        foreach ((array) trans('data.choices') as $value => $word) {
            is_string($word) && $words[mb_strtolower($word)] = (string) $value;
        }

        return $words;
    }
}
