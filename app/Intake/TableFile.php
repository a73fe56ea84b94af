<?php

declare(strict_types=1);

namespace App\Intake;

use App\Support\Refused;

/** A table that somebody brings: pasted, or as a file of text or a workbook. Its rows are read one by one, as often as one asks. */
final readonly class TableFile
{
    /** The most that is taken, in bytes. */
    public const MOST_BYTES = 20_000_000;

    /** The most rows. */
    public const MOST_ROWS = 200_000;

    /** The most columns. */
    private const MOST_COLUMNS = 200;

    /** @param  resource|null  $text  UTF-8; null for a workbook */
    private function __construct(private mixed $text, private string $separator, private ?WorkbookFile $workbook)
    {
    }

    /** @throws Refused when it is no text */
    public static function ofText(string $text): self
    {
        $text = self::utf8($text);
        if (str_contains($text, "\0")) {
            throw Refused::because('intake.no_table', [], 'file');
        }
        $stream = fopen('php://temp', 'w+');
        assert($stream !== false);
        fwrite($stream, $text);

        return new self($stream, self::separator($text), null);
    }

    /** @throws Refused when it is too large, or neither text nor a workbook */
    public static function ofFile(string $path): self
    {
        if ((int) filesize($path) > self::MOST_BYTES) {
            throw Refused::because('intake.too_large', ['most' => intdiv(self::MOST_BYTES, 1_000_000)], 'file');
        }
        $start = (string) file_get_contents($path, length: 8);
        if (str_starts_with($start, "\xD0\xCF\x11\xE0")) {
            throw Refused::because('intake.old_workbook', [], 'file');
        }

        return str_starts_with($start, "PK\x03\x04")
            ? new self(null, '', WorkbookFile::open($path))
            : self::ofText((string) file_get_contents($path));
    }

    /**
     * @return iterable<int, list<string>> by line, from 1; lines without anything are left out
     *
     * @throws Refused when there are too many
     */
    public function rows(): iterable
    {
        $count = 0;
        foreach ($this->workbook === null ? $this->lines() : $this->workbook->rows() as $line => $fields) {
            if (trim(implode('', $fields)) === '') {
                continue;
            }
            if (++$count > self::MOST_ROWS + 1 || count($fields) > self::MOST_COLUMNS) {
                throw Refused::because('intake.too_many', ['rows' => self::MOST_ROWS, 'columns' => self::MOST_COLUMNS], 'file');
            }
            yield $line => array_map(trim(...), $fields);
        }
    }

    /** @return iterable<int, list<string>> */
    private function lines(): iterable
    {
        assert(is_resource($this->text));
        rewind($this->text);
        $line = 1;
        while (($fields = fgetcsv($this->text, null, $this->separator, '"', '')) !== false) {
            $fields = array_map(strval(...), $fields);
            // an apostrophe before what would be a formula is how a table of text is kept harmless
            $bare = fn (string $field) => preg_match("/^'[=+\-@\t\r]/", $field) === 1 ? substr($field, 1) : $field;
            yield $line => array_map($bare, $fields);
            $line += 1 + substr_count(implode('', $fields), "\n");
        }
    }

    /** What parts the fields: what the first line has most of. */
    private static function separator(string $text): string
    {
        $first = strtok($text, "\r\n");
        $counts = [];
        foreach (["\t", ';', ','] as $sign) {
            $counts[$sign] = substr_count($first === false ? '' : $first, $sign);
        }
        arsort($counts);

        return (string) array_key_first($counts);
    }

    private static function utf8(string $text): string
    {
        foreach (["\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'] as $mark => $encoding) {
            if (str_starts_with($text, $mark)) {
                return (string) mb_convert_encoding(substr($text, 2), 'UTF-8', $encoding);
            }
        }
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;

        return mb_check_encoding($text, 'UTF-8') ? $text : (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
