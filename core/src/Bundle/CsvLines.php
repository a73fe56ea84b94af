<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** Writes rows of CSV (RFC 4180) to a stream, many at once: a call of the system for each row takes longer than what is in it. */
final readonly class CsvLines
{
    private const AT_ONCE = 65_536;

    /** What a field is quoted for. */
    private const QUOTED = ",\"\n\r\t ";

    /**
     * @param  resource  $stream
     * @param  string  $end  of a line
     */
    public function __construct(private mixed $stream, private string $end = "\n")
    {
    }

    /** @param  iterable<list<string>>  $rows */
    public function write(iterable $rows): void
    {
        $waiting = '';
        foreach ($rows as $row) {
            $line = implode(',', $row);
            if (preg_match('/["\\s]/', $line) === 1 || substr_count($line, ',') >= max(1, count($row))) {
                $line = implode(',', array_map(self::field(...), $row));
            }
            $waiting .= $line.$this->end;
            if (strlen($waiting) > self::AT_ONCE) {
                fwrite($this->stream, $waiting);
                $waiting = '';
            }
        }
        fwrite($this->stream, $waiting);
    }

    private static function field(string $text): string
    {
        return strpbrk($text, self::QUOTED) === false ? $text : '"'.str_replace('"', '""', $text).'"';
    }
}
