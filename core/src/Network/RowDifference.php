<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** Finds the rows in which two lists of a network differ. Rows that are the same object are not looked into. */
final class RowDifference
{
    /**
     * Rows that are only in one of the lists, or differ.
     *
     * @template T of object
     *
     * @param  array<T>  $before
     * @param  array<T>  $after
     * @param  callable(T): string  $key
     * @return array<string, array{T|null, T|null}> by key
     */
    public static function of(array $before, array $after, callable $key): array
    {
        if ($before === $after) {
            return [];
        }
        [$before, $after] = [self::elsewhere($before, $after), self::elsewhere($after, $before)];
        $same = [];
        foreach ($before as $row) {
            $same[spl_object_id($row)] = true;
        }
        $new = [];
        foreach ($after as $row) {
            if (isset($same[spl_object_id($row)])) {
                unset($same[spl_object_id($row)]);
            } else {
                $new[$key($row)] = $row;
            }
        }
        $changed = [];
        foreach ($before as $row) {
            if (isset($same[spl_object_id($row)])) {
                $name = $key($row);
                if (! isset($new[$name]) || $new[$name] != $row) {
                    $changed[$name] = [$row, $new[$name] ?? null];
                }
                unset($new[$name]);
            }
        }
        foreach ($new as $name => $row) {
            $changed[$name] = [null, $row];
        }

        return $changed;
    }

    /**
     * The rows that do not stand at their place in another list: nearly all do, and are not looked at any more.
     *
     * @template T of object
     *
     * @param  array<T>  $rows
     * @param  array<T>  $others
     * @return array<T>
     */
    private static function elsewhere(array $rows, array $others): array
    {
        $found = [];
        foreach ($rows as $place => $row) {
            if (($others[$place] ?? null) !== $row) {
                $found[] = $row;
            }
        }

        return $found;
    }
}
