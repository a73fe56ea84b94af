<?php

declare(strict_types=1);

namespace App\Support;

use Yposta\Core\Bundle\CsvLines;

/** Tables as CSV that spreadsheets open: text that they would run as a formula gets an apostrophe, numbers stay numbers. */
final class SpreadsheetCsv
{
    /** What a formula begins with. */
    private const FORMULA = "=+-@\t\r";

    private const NUMBER = '/^-?\d{1,15}(\.\d{1,6})?$/D';

    /**
     * @param  resource  $stream
     * @param  list<string>  $columns
     * @param  iterable<list<string|int|null>>  $rows
     */
    public static function write(mixed $stream, array $columns, iterable $rows): void
    {
        $lines = new CsvLines($stream, "\r\n");
        $lines->write([$columns]);
        $lines->write(self::harmless($rows));
    }

    /**
     * @param  iterable<list<string|int|null>>  $rows
     * @return iterable<list<string>>
     */
    private static function harmless(iterable $rows): iterable
    {
        foreach ($rows as $row) {
            $fields = [];
            foreach ($row as $value) {
                $text = (string) $value;
                $fields[] = $text !== '' && str_contains(self::FORMULA, $text[0]) && preg_match(self::NUMBER, $text) !== 1 ? "'{$text}" : $text;
            }
            yield $fields;
        }
    }
}
