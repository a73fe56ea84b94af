<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

/** Finds for each thing of one list its counterpart in another, most alike first, and leaves out what is the same in both. */
final class Pairing
{
    /**
     * @template T of object
     *
     * @param  list<T>  $before
     * @param  list<T>  $after
     * @param  callable(T): string  $group  only things of one group can be counterparts
     * @param  non-empty-list<callable(T): string>  $likeness  ever weaker; those alike by the first are the same
     * @return list<Difference<T>>
     */
    public static function of(array $before, array $after, callable $group, array $likeness): array
    {
        $groups = [];
        foreach ($before as $thing) {
            $groups[$group($thing)][0][] = $thing;
        }
        foreach ($after as $thing) {
            $groups[$group($thing)][1][] = $thing;
        }
        ksort($groups, SORT_STRING);
        $differences = [];
        foreach ($groups as $sides) {
            $old = $sides[0] ?? [];
            $new = $sides[1] ?? [];
            foreach ($likeness as $step => $like) {
                if ($old === [] || $new === []) {
                    break;
                }
                $places = [];
                foreach ($new as $place => $thing) {
                    $places[$like($thing)][] = $place;
                }
                foreach ($old as $place => $thing) {
                    $key = $like($thing);
                    if (($places[$key] ?? []) !== []) {
                        $other = array_shift($places[$key]);
                        $step === 0 || $differences[] = new Difference($thing, $new[$other]);
                        unset($old[$place], $new[$other]);
                    }
                }
            }
            foreach ($old as $thing) {
                $differences[] = new Difference($thing, null);
            }
            foreach ($new as $thing) {
                $differences[] = new Difference(null, $thing);
            }
        }

        return $differences;
    }
}
