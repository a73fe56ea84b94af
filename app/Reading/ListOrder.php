<?php

declare(strict_types=1);

namespace App\Reading;

use Illuminate\Database\Query\Builder;

/** How a list that is given page by page is sorted: by one of its columns, up or down, or in its own order. */
final readonly class ListOrder
{
    /** Rows of a page. */
    public const ROWS = 150;

    /** @param  string  $by  name of a column; empty for the list's own order */
    private function __construct(public string $by, public bool $down)
    {
    }

    public static function none(): self
    {
        return new self('', false);
    }

    /**
     * As an address says it, with a minus before the name for from the largest to the least; what is no column is the list's own order.
     *
     * @param  list<string>  $columns  that there are
     */
    public static function of(string $text, array $columns): self
    {
        $by = ltrim($text, '-');

        return in_array($by, $columns, true) ? new self($by, str_starts_with($text, '-')) : self::none();
    }

    public function __toString(): string
    {
        return ($this->down ? '-' : '').$this->by;
    }

    /**
     * Sorts by the column that was asked for; what comes after it is the list's own order. What has no value stands last.
     *
     * @param  array<string, string>  $columns  expressions of the code by name of the column
     */
    public function apply(Builder $query, array $columns): Builder
    {
        $expression = $columns[$this->by] ?? null;

        return $expression === null ? $query : $query->orderByRaw("case when {$expression} is null then 1 else 0 end")
            ->orderByRaw($expression.($this->down ? ' desc' : ''));
    }
}
