<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Stored;
use BackedEnum;
use stdClass;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Flag;

/**
 * How the rows of a class are kept in its table, as its columns declare it: days as ISO dates, choices as their values.
 *
 * @template T of object
 */
final readonly class TableMap
{
    /** Tables whose rows carry an optimistic lock. */
    private const LOCKED = ['stock', 'forecast_buckets', 'sales_lines', 'job_lines', 'orders', 'order_lines'];

    public string $table;

    /** @var list<string> names of the columns that are the key */
    public array $key;

    /** @var list<array{string, string, 'plain'|'day'|'flag'|'choice', class-string<BackedEnum>|null}> property, column, what it holds */
    private array $columns;

    /** @param  class-string<T>  $class */
    private function __construct(private string $class, private Dates $dates)
    {
        $declaration = Declaration::of($class);
        $this->table = $declaration->file->table;
        $this->key = array_map(fn (string $property) => $declaration->columns[$property]->kept, $declaration->file->key);
        $this->columns = array_values(array_map(
            fn (DeclaredColumn $column) => [$column->property, $column->kept, ...self::held($column)],
            $declaration->columns,
        ));
    }

    /**
     * @template C of object
     *
     * @param  class-string<C>  $class  of declared rows
     * @return self<C>
     */
    public static function of(string $class, Dates $dates = new Dates): self
    {
        return new self($class, $dates);
    }

    /** Whether its rows carry an optimistic lock. */
    public function isLocked(): bool
    {
        return in_array($this->table, self::LOCKED, true);
    }

    /** @return array<string, mixed> values by column */
    public function values(object $row): array
    {
        $properties = get_object_vars($row);
        $values = [];
        foreach ($this->columns as [$property, $column, $held]) {
            $value = $properties[$property];
            $values[$column] = match (true) {
                $value === null => null,
                $held === 'day' => is_int($value) ? $this->dates->iso($value) : null,
                $held === 'choice' => $value instanceof BackedEnum ? $value->value : null,
                default => $value,
            };
        }

        return $values;
    }

    /** @return T */
    public function object(stdClass $row): object
    {
        $kept = (array) $row;
        $values = [];
        foreach ($this->columns as [$property, $column, $held, $enum]) {
            $value = $kept[$column];
            $values[$property] = match (true) {
                $value === null => null,
                $held === 'day' => $this->dates->day(Stored::text($value)),
                $held === 'flag' => (bool) $value,
                $enum !== null => $enum::from(Stored::text($value)),
                default => $value,
            };
        }

        /** @var T */
        return $this->class::fromValues($values); // @phpstan-ignore staticMethod.notFound (every declared class uses Row)
    }

    /** @return array{'plain'|'day'|'flag'|'choice', class-string<BackedEnum>|null} */
    private static function held(DeclaredColumn $column): array
    {
        $type = $column->type();

        return match (true) {
            $type instanceof DayColumn => ['day', null],
            $type instanceof Flag => ['flag', null],
            $type instanceof Choice => ['choice', $type->enum],
            default => ['plain', null],
        };
    }
}
