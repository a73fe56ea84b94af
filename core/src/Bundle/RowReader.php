<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Declaration\Text;

/** Reads the rows of a class as it declares them, and checks each. */
final class RowReader
{
    /** So many texts of a column are remembered. */
    private const KEPT = 1_000;

    /** @var array<string, int> line of each key */
    private array $lines = [];

    /** @var array<string, array<string, mixed>> what was read before, by property and text: many rows say the same */
    private array $read = [];

    private bool $sound = true;

    private int $line = 0;

    /** @var array<string, mixed> defaults by property */
    private readonly array $defaults;

    public function __construct(
        private readonly Declaration $declaration,
        private readonly KnownRows $known,
        private readonly Findings $findings,
    ) {
        $this->defaults = array_map(fn (DeclaredColumn $column) => $column->defaultValue(), $declaration->columns);
    }

    /**
     * @param  resource  $stream
     * @return iterable<int, object> the sound rows by their lines
     */
    public function read(mixed $stream): iterable
    {
        $columns = $this->declaration->columns;
        $needed = array_values(array_map(
            fn (DeclaredColumn $column) => $column->name,
            array_filter($columns, fn (DeclaredColumn $column) => ! $column->mayBeMissing()),
        ));
        $class = $this->declaration->class;
        $code = $this->declaration->code();
        foreach ((new CsvFile(
            $this->declaration->file->name, $stream, $needed, $this->declaration->header(), $this->findings,
        ))->rows() as $fields) {
            $this->line = $fields->line;
            $this->sound = true;
            $values = $this->values($fields->values);
            $row = $class::fromValues($values);
            assert(is_object($row));
            $this->watchKey($values);
            if ($this->sound) {
                foreach ($this->declaration->faults($row, $this->known) as $fault) {
                    $this->note($fault);
                }
            }
            if ($this->sound || $code !== null) {
                $this->known->add($row, $code === null ? null : $this->declaration->keyParts($values)[0]);
            }
            if ($this->sound) {
                yield $this->line => $row;
            }
        }
    }

    /**
     * @param  array<string, string>  $fields  by column
     * @return array<string, mixed> by property; what is wrong is noted and harmless
     */
    private function values(array $fields): array
    {
        $values = [];
        foreach ($this->declaration->columns as $property => $column) {
            $text = $fields[$column->name] ?? '';
            if ($text !== '') {
                $values[$property] = $this->read[$property][$text] ?? $this->parsed($column, $text);
            } elseif ($column->mustBeFilled) {
                $this->note(Fault::of('empty', [], $property));
                $values[$property] = $column->type()->harmless();
            } else {
                $type = $column->type();
                $values[$property] = $type instanceof Text && $type->else !== null
                    ? $values[$type->else] ?? ''
                    : ($column->column->default === null ? $this->parsed($column, '') : $this->defaults[$property]);
            }
        }

        return $values;
    }

    private function parsed(DeclaredColumn $column, string $text): mixed
    {
        try {
            $value = $column->type()->parse($text);
            if (count($this->read[$column->property] ?? []) < self::KEPT) {
                $this->read[$column->property][$text] = $value;
            }

            return $value;
        } catch (InvalidField $trouble) {
            $this->note($trouble->fault->in($column->property));

            return $column->type()->harmless();
        }
    }

    /** @param  array<string, mixed>  $values */
    private function watchKey(array $values): void
    {
        $parts = $this->declaration->keyParts($values);
        if ($parts === []) {
            return;
        }
        $key = implode("\x1f", $parts);
        $before = $this->lines[$key] ?? null;
        if ($before === null) {
            $this->lines[$key] = $this->line;
        } else {
            $this->note(Fault::of('twice', ['key' => implode(' ', $parts), 'line' => (string) $before]));
        }
    }

    private function note(Fault $fault): void
    {
        $column = $fault->property === null ? null : $this->declaration->columns[$fault->property]->name;
        $this->findings->note($fault, $this->declaration->file->name, $this->line, $column) && $this->sound = false;
    }
}
