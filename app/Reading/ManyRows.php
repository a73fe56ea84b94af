<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\TableMap;
use App\Reading\Shapes\DataEdit;
use App\Support\Refused;
use App\Support\RelativeNumber;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\PutRows;

/**
 * Gives many rows of master data another value in one column, as typed: a value, or for numbers `+5`, `-5`, `+10 %`, `-10 %` of what stands
 * there.
 */
final readonly class ManyRows
{
    private Declaration $declaration;

    /** @param  string  $kind  one of {@see PutRows::KINDS} */
    public function __construct(private string $kind)
    {
        $this->declaration = Declaration::of(PutRows::KINDS[$kind]);
    }

    /**
     * @param  list<list<string>>  $identities  see {@see Declaration::identity()}
     *
     * @throws Refused when the column is not known or tells rows apart, or the text is no value of it
     */
    public function with(array $identities, string $property, string $text): DataEdit
    {
        $column = $this->declaration->columns[$property] ?? null;
        if ($column === null || in_array($property, $this->declaration->file->key, true)) {
            throw Refused::because('data.column', [], 'column');
        }
        $pairs = [];
        foreach ($this->find($identities) as $old) {
            $row = $this->changed($old, $column, trim($text));
            $this->declaration->fields($row) === $this->declaration->fields($old) || $pairs[] = [$old, $row];
        }

        return EditedRows::of($this->declaration->class, $pairs);
    }

    /**
     * @param  list<list<string>>  $identities
     * @return list<object>
     */
    private function find(array $identities): array
    {
        $map = TableMap::of($this->declaration->class);
        $properties = $this->declaration->file->key ?: array_keys($this->declaration->columns);
        $wanted = array_fill_keys(array_map(fn (array $parts) => implode("\x1f", $parts), $identities), true);
        $first = $this->declaration->columns[$properties[0]]->kept;
        $rows = [];
        foreach (array_chunk(array_values(array_unique(array_column($identities, 0))), 400) as $codes) {
            $found = DB::table($map->table)->where(fn (Builder $query) => $query->whereIn($first, $codes))->get();
            foreach ($found->map(fn (stdClass $row) => $map->object($row)) as $row) {
                isset($wanted[implode("\x1f", $this->declaration->identity($row))]) && $rows[] = $row;
            }
        }
        count($rows) === count($wanted) || throw Refused::because('data.gone', [], 'gone');

        return $rows;
    }

    private function changed(object $old, DeclaredColumn $column, string $text): object
    {
        $before = get_object_vars($old)[$column->property] ?? null;
        $type = $column->type();
        $isNumber = $type instanceof Decimal || $type instanceof Whole;
        $relative = $isNumber ? RelativeNumber::tryOf($text) : null;
        if ($relative !== null) {
            if (! is_int($before)) {
                return $old;
            }
            $smallest = $type instanceof Decimal ? $this->step($type, $old) : 1;
            $value = $relative->of($before, $type instanceof Decimal, $smallest);
        } else {
            try {
                $value = $text === '' && $column->mayBeMissing() ? $column->defaultValue() : $type->parse($text);
            } catch (InvalidField $trouble) {
                throw Refused::because('data.value', ['trouble' => $trouble->fault->problem], 'value');
            }
        }

        return $old->with(...[$column->property => $value]); // @phpstan-ignore method.notFound (every declared class uses Row)
    }

    /** The smallest quantity that the column may have, millionths: of an item's quantities as many decimals as it has, else all six. */
    private function step(Decimal $type, object $row): int
    {
        $item = $type->of === null ? null : get_object_vars($row)[$type->of] ?? null;

        return is_string($item) ? Quantity::step((int) DB::table('items')->where('code', $item)->value('decimals')) : 1;
    }
}
