<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** The streams of a bundle and what was found in them; hands out tables and watches over keys. */
final class Files
{
    /** @var array<string, array<string, int>> line of each key by file */
    private array $keys = [];

    /** @param  array<string, resource>  $streams  by file name */
    public function __construct(private readonly array $streams, public readonly Findings $findings)
    {
    }

    /** @return iterable<Row> no rows when the file is missing */
    public function rows(string $file): iterable
    {
        return isset($this->streams[$file]) ? (new Table($file, $this->streams[$file], $this->findings))->rows() : [];
    }

    /**
     * Notes a key and makes the row wrong when it was there before.
     *
     * @param  list<string|int>  $parts
     */
    public function unique(string $file, Row $row, array $parts): void
    {
        $key = implode("\x1f", $parts);
        $before = $this->keys[$file][$key] ?? null;
        if ($before === null) {
            $this->keys[$file][$key] = $row->line();
        } else {
            $row->wrong(null, "'".implode(' ', $parts)."' stands already in line {$before}", 'keep one of them');
        }
    }
}
