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

    /**
     * Works two things out, of which neither needs the other.
     *
     * @template T
     *
     * @param  callable(): int  $aside
     * @param  callable(): T  $own
     * @return array{int, T}
     */
    public function both(callable $aside, callable $own): array;
}
