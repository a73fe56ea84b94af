<?php

declare(strict_types=1);

namespace App\Documents;

/** A list to be printed by the browser: as many rows as one reads, in columns that are not all empty. */
final readonly class Listing
{
    public const MOST = 5_000;

    /**
     * @param  list<string>  $heads
     * @param  list<string>  $types  of the columns: text, number or date
     * @param  list<list<string>>  $rows
     * @param  bool  $isCut  whether there are more
     */
    private function __construct(public string $title, public array $heads, public array $types, public array $rows, public bool $isCut)
    {
    }

    /**
     * @param  array<string, string>  $columns  types by name
     * @param  iterable<list<string|int|null>>  $all
     */
    public static function of(string $name, array $columns, iterable $all): self
    {
        $rows = [];
        $isCut = false;
        foreach ($all as $row) {
            $isCut = count($rows) === self::MOST;
            if ($isCut) {
                break;
            }
            $rows[] = array_map(strval(...), $row);
        }
        $names = array_keys($columns);
        $used = array_values(array_filter(
            array_keys($names), fn (int $place) => array_filter(array_column($rows, $place), fn (string $text) => $text !== '') !== [],
        ));
        $pick = fn (array $of): array => array_map(fn (int $place) => $of[$place], $used);

        return new self(
            self::words("sheets.titles.{$name}", $name),
            array_map(fn (string $column) => self::words("sheets.columns.{$column}", $column), $pick($names)),
            $pick(array_values($columns)), array_map($pick, $rows), $isCut,
        );
    }

    /** What is not called otherwise, as a period or an item, stands for itself. */
    private static function words(string $key, string $name): string
    {
        $said = trans($key);

        return is_string($said) && $said !== $key ? $said : $name;
    }
}
