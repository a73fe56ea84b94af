<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Fault;

/** Reads one CSV file (RFC 4180, UTF-8, header row) from a stream, row by row. */
final readonly class CsvFile
{
    private const BYTE_ORDER_MARK = "\xEF\xBB\xBF";

    /**
     * @param  resource  $stream
     * @param  list<string>  $needed  columns that must be there
     * @param  list<string>  $known  all columns that mean something
     */
    public function __construct(
        private string $name,
        private mixed $stream,
        private array $needed,
        private array $known,
        private Findings $findings,
    ) {
    }

    /** @return iterable<CsvRow> */
    public function rows(): iterable
    {
        $columns = $this->header();
        if ($columns === null) {
            return;
        }
        $line = 2;
        $isSeekable = stream_get_meta_data($this->stream)['seekable'];
        while (($fields = $isSeekable ? $this->record() : fgetcsv($this->stream, null, ',', '"', '')) !== false) {
            $at = $line;
            if ($fields === [null]) {
                $line++;

                continue;
            }
            $text = implode("\x1f", $fields);
            $line += 1 + substr_count($text, "\n");
            if (count($fields) !== count($columns)) {
                $this->findings->note(Fault::of('field_count', ['count' => count($fields), 'wanted' => count($columns)]), $this->name, $at);

                continue;
            }
            if (preg_match('//u', $text) !== 1) {
                $this->findings->note(Fault::of('not_utf8'), $this->name, $at);

                continue;
            }
            yield new CsvRow($at, array_combine($columns, array_map(strval(...), $fields)));
        }
    }

    /**
     * The fields of the next record. A line without quotes or stray carriage returns is parted at its commas, in a fraction of the time.
     *
     * @return list<string|null>|false
     */
    private function record(): array|false
    {
        $at = (int) ftell($this->stream);
        $line = fgets($this->stream);
        if ($line === false) {
            return false;
        }
        $end = str_ends_with($line, "\r\n") ? 2 : (str_ends_with($line, "\n") ? 1 : 0);
        $text = $end === 0 ? $line : substr($line, 0, -$end);
        if (strpbrk($text, "\"\r") !== false) {
            fseek($this->stream, $at);

            return fgetcsv($this->stream, null, ',', '"', '');
        }

        return $text === '' ? [null] : explode(',', $text);
    }

    /** @return list<string>|null null when the file cannot be read on */
    private function header(): ?array
    {
        $fields = fgetcsv($this->stream, null, ',', '"', '');
        if ($fields === false || $fields === [null]) {
            return $this->unreadable('empty_file');
        }
        $columns = array_map(fn (?string $field) => trim((string) $field), $fields);
        if (str_starts_with($columns[0], self::BYTE_ORDER_MARK)) {
            $columns[0] = trim(substr($columns[0], 3), '"');
        }
        if (! mb_check_encoding($columns, 'UTF-8')) {
            return $this->unreadable('header_not_utf8');
        }
        if (count(array_unique($columns)) !== count($columns)) {
            return $this->unreadable('column_twice');
        }
        $missing = array_diff($this->needed, $columns);
        foreach ($missing as $column) {
            $this->findings->note(Fault::of('column_missing'), $this->name, 1, $column);
        }
        foreach (array_diff($columns, $this->known) as $column) {
            $this->findings->note(
                new Fault(Fault::of('column_unknown')->problem, mild: true), $this->name, 1, $column === '' ? null : $column,
            );
        }

        return $missing === [] ? $columns : null;
    }

    private function unreadable(string $code): null
    {
        $this->findings->note(Fault::of($code), $this->name, 1);

        return null;
    }
}
