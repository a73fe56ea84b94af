<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;

/**
 * Which of some changes of data made a figure what it is. Each is tried by itself, and in twos where that does not say it all: what only
 * comes of two together is said of the two, and what is left comes of more. All shares add up to the difference.
 *
 * What does not fit by itself, as it goes on from another, is tried after that.
 */
final readonly class WhyChanged
{
    /** So many pairs are tried at the most. */
    private const MOST_PAIRS = 300;

    /**
     * @param  int  $before  the figure without any of them
     * @param  int  $after  the figure with all
     * @param  list<int>  $own  what each does, by its place
     * @param  list<array{int, int, int}>  $together  places of two, and what comes of them beyond what each does
     * @param  int  $rest  what comes of more than two
     */
    private function __construct(
        public int $before,
        public int $after,
        public array $own,
        public array $together,
        public int $rest,
    ) {
    }

    /**
     * @param  Trial  $trial  on the network before them
     * @param  list<list<Change>>  $steps  in the order in which they were written
     * @param  callable(Plan): int  $figure
     *
     * @throws DoesNotFit when they do not fit in their order
     */
    public static function of(Trial $trial, array $steps, callable $figure): self
    {
        return self::told(fn (array $places): int => $trial->with(self::some($steps, $places), $figure), array_keys($steps));
    }

    /**
     * The same of several figures, by their names, planning no more often than for the one that takes most.
     *
     * @param  Trial  $trial  on the network before them
     * @param  list<list<Change>>  $steps  in the order in which they were written
     * @param  callable(Plan): array<string, int>  $figures
     * @return array<string, self>
     *
     * @throws DoesNotFit when they do not fit in their order
     */
    public static function several(Trial $trial, array $steps, callable $figures): array
    {
        $known = [];
        $told = [];
        foreach (array_keys($trial->with([], $figures)) as $name) {
            $told[$name] = self::told(function (array $places) use ($trial, $steps, $figures, &$known, $name): int {
                $key = json_encode($places);
                try {
                    $known[$key] ??= $trial->with(self::some($steps, $places), $figures);
                } catch (DoesNotFit $trouble) {
                    $known[$key] = $trouble;
                }

                return $known[$key] instanceof DoesNotFit ? throw $known[$key] : $known[$key][$name];
            }, array_keys($steps));
        }

        return $told;
    }

    /**
     * @param  list<list<Change>>  $steps
     * @param  list<int>  $places
     * @return list<Change> of those steps, in their order
     */
    private static function some(array $steps, array $places): array
    {
        return array_merge(...array_values(array_intersect_key($steps, array_flip($places))));
    }

    /**
     * @param  callable(list<int>): int  $read
     * @param  list<int>  $places  of all steps
     *
     * @throws DoesNotFit
     */
    private static function told(callable $read, array $places): self
    {
        $before = $read([]);
        $after = $read($places);
        $own = $alone = [];
        foreach ($places as $place) {
            [$own[], $alone[$place]] = self::own($read, $before, $place);
        }
        $left = $after - $before - array_sum($own);
        $together = [];
        foreach ($left === 0 ? [] : self::pairs(array_keys(array_filter($alone))) as [$one, $other]) {
            try {
                $share = $read([$one, $other]) - $before - $own[$one] - $own[$other];
            } catch (DoesNotFit) {
                continue;
            }
            if ($share !== 0) {
                $together[] = [$one, $other, $share];
                $left -= $share;
            }
        }

        return new self($before, $after, $own, $together, $left);
    }

    /**
     * What a step does by itself; else after the nearest one that it goes on from, or after all before it.
     *
     * @param  callable(list<int>): int  $read
     * @return array{int, bool} and whether it was by itself
     */
    private static function own(callable $read, int $before, int $place): array
    {
        try {
            return [$read([$place]) - $before, true];
        } catch (DoesNotFit) {
            for ($other = $place - 1; $other >= 0; $other--) {
                try {
                    return [$read([$other, $place]) - $read([$other]), false];
                } catch (DoesNotFit) {
                    continue;
                }
            }
        }

        return [$read(range(0, $place)) - $read($place === 0 ? [] : range(0, $place - 1)), false];
    }

    /**
     * @param  list<int>  $places
     * @return list<array{int, int}>
     */
    private static function pairs(array $places): array
    {
        $pairs = [];
        foreach ($places as $at => $one) {
            foreach (array_slice($places, $at + 1) as $other) {
                $pairs[] = [$one, $other];
                if (count($pairs) === self::MOST_PAIRS) {
                    return $pairs;
                }
            }
        }

        return $pairs;
    }
}
