<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** Writes rows of CSV (RFC 4180) to a stream, many at once: a call of the system for each row takes longer than what is in it. */
final class CsvLines
{
    private const AT_ONCE = 65_536;

    /** What a field is quoted for. */
    private const QUOTED = ",\"\n\r\t ";

    private string $waiting = '';

    /**
     * @param  resource  $stream
     * @param  string  $end  of a line
     */
    public function __construct(private readonly mixed $stream, private readonly string $end = "\n")
    {
    }

    /** @param  list<string>  $row */
    public function add(array $row): void
    {
        $line = implode(',', $row);
        if (strpbrk($line, "\"\n\r\t ") !== false || substr_count($line, ',') >= max(1, count($row))) {
            $line = implode(',', array_map(self::field(...), $row));
        }
        $this->waiting .= $line.$this->end;
        if (strlen($this->waiting) > self::AT_ONCE) {
            $this->flush();
        }
    }

    /** Writes what waits; to be called after the last row. */
    public function flush(): void
    {
        fwrite($this->stream, $this->waiting);
        $this->waiting = '';
    }

    private static function field(string $text): string
    {
        return strpbrk($text, self::QUOTED) === false ? $text : '"'.str_replace('"', '""', $text).'"';
    }
}
