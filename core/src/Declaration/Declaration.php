<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use InvalidArgumentException;
use ReflectionClass;

/** What a class declares of its rows; everything that reads, checks, writes, keeps or documents them goes by it. */
final readonly class Declaration
{
    /**
     * @param  class-string  $class
     * @param  array<string, DeclaredColumn>  $columns  by property, in their order
     */
    private function __construct(public string $class, public BundleFile $file, public array $columns)
    {
    }

    /**
     * @param  class-string  $class
     *
     * @throws InvalidArgumentException when it declares no rows
     */
    public static function of(string $class): self
    {
        /** @var array<class-string, self> $known what is declared does not change while a process lives */
        static $known = [];

        return $known[$class] ??= self::read(new ReflectionClass($class));
    }

    /** @param  ReflectionClass<object>  $class */
    private static function read(ReflectionClass $class): self
    {
        $file = $class->getAttributes(BundleFile::class)[0] ?? throw new InvalidArgumentException("{$class->name} declares no rows");
        $columns = [];
        foreach ($class->getProperties() as $property) {
            foreach ($property->getAttributes(Column::class) as $column) {
                $columns[$property->name] = DeclaredColumn::of($property->name, $column->newInstance());
            }
        }

        return new self($class->name, $file->newInstance(), $columns);
    }

    /** The property that alone is the key, where one is. */
    public function code(): ?string
    {
        return count($this->file->key) === 1 ? $this->file->key[0] : null;
    }

    /** The key of a row as one text; the separator occurs in no code. Null where rows have none. */
    public function keyOf(object $row): ?string
    {
        return $this->file->key === [] ? null : implode("\x1f", $this->keyParts(get_object_vars($row)));
    }

    /**
     * What tells a row from the others of its class: its key, or all that it says where rows have none.
     *
     * @return list<string> as the file writes it
     */
    public function identity(object $row): array
    {
        return $this->file->key === [] ? $this->fields($row) : $this->keyParts(get_object_vars($row));
    }

    /** What a row is called: its key, or where rows have none what it begins with. */
    public function called(object $row): string
    {
        $parts = $this->file->key === [] ? array_slice($this->identity($row), 0, 4) : $this->identity($row);

        return implode(' ', array_filter($parts, fn (string $part) => $part !== ''));
    }

    /**
     * @param  array<mixed>  $values  of a row, by property
     * @return list<string>
     */
    public function keyParts(array $values): array
    {
        return array_map(fn (string $property) => $this->columns[$property]->type()->write($values[$property] ?? null), $this->file->key);
    }

    /** @return list<string> names of the columns in the file */
    public function header(): array
    {
        return array_values(array_map(fn (DeclaredColumn $column) => $column->name, $this->columns));
    }

    /** @return list<string> the fields of a row in the file */
    public function fields(object $row): array
    {
        $values = get_object_vars($row);
        $fields = [];
        foreach ($this->columns as $property => $column) {
            $fields[] = ($values[$property] ?? null) === null ? '' : $column->type()->write($values[$property]);
        }

        return $fields;
    }

    /**
     * All that is wrong with a row by its columns and by its own rules.
     *
     * @return list<Fault>
     */
    public function faults(object $row, Surroundings $in): array
    {
        $faults = [];
        $values = get_object_vars($row);
        foreach ($this->columns as $property => $column) {
            $value = $values[$property] ?? null;
            $fault = $value === null ? null : $column->column->type->fault($value, $values, $in);
            $fault === null || $faults[] = $fault->in($property);
        }

        foreach ($row instanceof Checked ? $row->faults() : [] as $fault) {
            $faults[] = $fault;
        }

        return $faults;
    }

    /**
     * Values by property with the defaults of those that are not given.
     *
     * @param  array<mixed>  $values
     * @return array<string, mixed>
     *
     * @throws InvalidArgumentException when one is missing that has no default, or is not known
     */
    public function complete(array $values): array
    {
        $complete = [];
        foreach ($this->columns as $property => $column) {
            if (array_key_exists($property, $values)) {
                $complete[$property] = $values[$property];
            } elseif ($column->type() instanceof Text && $column->type()->else !== null) {
                $complete[$property] = $values[$column->type()->else] ?? '';
            } else {
                $column->mustBeFilled && throw new InvalidArgumentException("{$this->class} needs {$property}");
                $complete[$property] = $column->defaultValue();
            }
        }
        $unknown = array_key_first(array_diff_key($values, $complete));
        $unknown === null || throw new InvalidArgumentException("{$this->class} has no {$unknown}");

        return $complete;
    }

    public static function snake(string $name): string
    {
        return strtolower((string) preg_replace('/(?<!^)[A-Z]/', '_$0', $name));
    }
}
