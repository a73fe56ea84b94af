<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** Where an operation stands. */
final readonly class Placed
{
    /** The end of what was placed without one. */
    public const OPEN = -1;

    /**
     * @param  list<int>  $units  numbers, ascending
     * @param  int  $start  its first minute
     * @param  int  $end  the minute behind its last
     * @param  int  $setup  millionths of a minute, before efficiency and speed
     * @param  int  $minutes  for which it holds its units while they are on
     */
    public function __construct(
        public string $centre,
        public array $units,
        public int $start,
        public int $end,
        public int $setup,
        public int $minutes,
    ) {
    }
}
