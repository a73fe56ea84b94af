<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** Reads one CSV file (RFC 4180, UTF-8, header row) from a stream, row by row. */
final readonly class Table
{
    private const BYTE_ORDER_MARK = "\xEF\xBB\xBF";

    /** @param  resource  $stream */
    public function __construct(private string $file, private mixed $stream, private Findings $findings)
    {
    }

    /**
     * The rows with their fields by column. The same object serves every row: take what you need before asking for the next.
     *
     * @return iterable<Row>
     */
    public function rows(): iterable
    {
        $columns = $this->header();
        if ($columns === null) {
            return;
        }
        $row = new Row($this->file, $this->findings);
        $line = 2;
        while (($fields = fgetcsv($this->stream, null, ',', '"', '')) !== false) {
            $at = $line;
            $line += 1 + array_sum(array_map(fn (?string $field) => substr_count((string) $field, "\n"), $fields));
            if ($fields === [null]) {
                continue;
            }
            if (count($fields) !== count($columns)) {
                $this->findings->error($this->file, $at, null, count($fields).' fields where the header has '.count($columns), 'quote fields that hold commas');

                continue;
            }
            $values = array_combine($columns, array_map(strval(...), $fields));
            if (! mb_check_encoding($values, 'UTF-8')) {
                $this->findings->error($this->file, $at, null, 'the row is not UTF-8', 'save the file as UTF-8');

                continue;
            }
            $row->fill($at, $values);
            yield $row;
        }
    }

    /** @return list<string>|null null when the file cannot be read on */
    private function header(): ?array
    {
        $fields = fgetcsv($this->stream, null, ',', '"', '');
        if ($fields === false || $fields === [null]) {
            $this->findings->error($this->file, 1, null, 'the file is empty', 'the first row names the columns');

            return null;
        }
        $columns = array_map(fn (?string $field) => trim((string) $field), $fields);
        if (str_starts_with($columns[0], self::BYTE_ORDER_MARK)) {
            $columns[0] = trim(substr($columns[0], 3), '"');
        }
        if (! mb_check_encoding($columns, 'UTF-8')) {
            $this->findings->error($this->file, 1, null, 'the header is not UTF-8', 'save the file as UTF-8');

            return null;
        }
        if (count(array_unique($columns)) !== count($columns)) {
            $this->findings->error($this->file, 1, null, 'a column is named twice', 'name each column once');

            return null;
        }
        $schema = Schema::FILES[$this->file] ?? ['needs' => [], 'may' => []];
        $missing = array_diff($schema['needs'], $columns);
        foreach ($missing as $column) {
            $this->findings->error($this->file, 1, $column, 'the column is missing', 'add it to the header');
        }
        foreach (array_diff($columns, $schema['needs'], $schema['may']) as $column) {
            $this->findings->warn($this->file, 1, $column === '' ? null : $column, 'the column is not known and was ignored');
        }

        return $missing === [] ? $columns : null;
    }
}
