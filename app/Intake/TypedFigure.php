<?php

declare(strict_types=1);

namespace App\Intake;

/** What somebody typed or pasted into a cell of a forecast. */
final readonly class TypedFigure
{
    /** So many come at once. */
    public const MOST = 300_000;

    private const LONGEST = 190;

    /**
     * @param  string  $start  first day of the period
     * @param  string  $qty  as it was typed; empty for nothing
     * @param  int  $version  of the cell as it was seen; 0 for an empty one
     */
    private function __construct(
        public string $item,
        public string $site,
        public string $start,
        public string $qty,
        public int $version,
    ) {
    }

    /**
     * Figures row by row: item, site, and cells of first day, figure and version.
     *
     * @return non-empty-list<self>|null null where it is something else, or too many
     */
    public static function read(mixed $rows): ?array
    {
        $figures = [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            [$item, $site, $cells] = is_array($row) ? [$row['item'] ?? null, $row['site'] ?? null, $row['cells'] ?? null] : [null, null, null];
            if (! is_string($item) || ! is_string($site) || ! is_array($cells) || max(strlen($item), strlen($site)) > self::LONGEST) {
                return null;
            }
            foreach ($cells as $cell) {
                $figure = is_array($cell) ? self::cell($item, $site, $cell) : null;
                if ($figure === null || count($figures) >= self::MOST) {
                    return null;
                }
                $figures[] = $figure;
            }
        }

        return $figures === [] ? null : $figures;
    }

    /** @param  array<mixed>  $cell */
    private static function cell(string $item, string $site, array $cell): ?self
    {
        [$start, $qty, $version] = array_values($cell) + [null, null, null];
        $qty ??= ''; // what is empty may have become nothing on its way
        $isSound = is_string($start) && strlen($start) <= 20 && is_string($qty) && strlen($qty) <= 60 && is_int($version) && $version >= 0;

        return $isSound ? new self($item, $site, $start, $qty, $version) : null;
    }
}
