<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

/** Finds the first of some days that holds; whoever has more processes at hand may try several at once. */
interface DaySearch
{
    /**
     * @param  list<int>  $days  day numbers, ascending
     * @param  callable(int): bool  $holds
     * @return int|null the first of them for which it is true, as if they had been tried one after the other
     */
    public function first(array $days, callable $holds): ?int;
}
