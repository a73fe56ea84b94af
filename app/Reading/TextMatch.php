<?php

declare(strict_types=1);

namespace App\Reading;

use Illuminate\Database\Query\Builder;

/** How every list is searched: what is typed stands somewhere in one of some columns, however it is written, its signs as they are. */
final class TextMatch
{
    /**
     * @param  list<string>  $columns  of the code, never from outside
     * @return Builder the same
     */
    public static function in(Builder $query, array $columns, string $text): Builder
    {
        $like = '%'.str_replace(['!', '%', '_'], ['!!', '!%', '!_'], mb_strtolower(trim($text))).'%';
        $query->where(function (Builder $either) use ($columns, $like): void {
            foreach ($columns as $column) {
                $either->orWhereRaw("lower({$column}) like ? escape '!'", [$like]);
            }
        });

        return $query;
    }
}
