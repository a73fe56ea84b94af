<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A column with the names that follow from its property. */
final readonly class DeclaredColumn
{
    /**
     * @param  string  $name  in the file
     * @param  string  $kept  in the table: the property's name in snake case, with what it refers to or counts behind it
     * @param  bool  $mustBeFilled  whether an empty field is an error
     */
    public function __construct(
        public string $property,
        public string $name,
        public string $kept,
        public Column $column,
        public bool $mustBeFilled,
    ) {
    }

    public static function of(string $property, Column $column): self
    {
        $snake = Declaration::snake($property);
        $suffix = match (true) {
            $column->type instanceof RowOf => '_code',
            $column->type instanceof Instant => '_instant',
            $column->type instanceof ClockTime => '_minute',
            default => '',
        };

        return new self(
            $property, $column->name ?? $snake, $column->kept ?? $snake.$suffix, $column,
            $column->default === null && ! $column->type->mayBeEmpty(),
        );
    }

    public function type(): ColumnType
    {
        return $this->column->type;
    }

    /** Whether a file may leave the column out. */
    public function mayBeMissing(): bool
    {
        return $this->column->default !== null || ($this->column->type instanceof Text && $this->column->type->else !== null);
    }

    /** What an empty field stands for; null also where it must be filled. */
    public function defaultValue(): mixed
    {
        return match (true) {
            $this->column->type instanceof Text, $this->column->type instanceof Weekdays => (string) $this->column->default,
            $this->column->default === null || $this->column->default === '' => null,
            default => $this->column->type->parse($this->column->default),
        };
    }

    /** As the documentation has it: the name, the type, the default. */
    public function describe(): string
    {
        $default = $this->column->note !== '' ? $this->column->note : (string) $this->column->default;
        $about = implode('; ', array_filter([$this->column->type->describe(), $default], fn (string $part) => $part !== ''));

        return $about === '' ? $this->name : "{$this->name} ({$about})";
    }
}
