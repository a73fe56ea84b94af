<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** An operation that is put somewhere else. */
final readonly class Move
{
    /**
     * @param  int  $task  number of the operation
     * @param  array<int, int>  $behind  what it is to stand before, by unit; -1 for the end
     * @param  list<int>  $segment  what changes places on its unit, in the new order; none where it goes to other units
     * @param  list<array{int, int}>  $ahead  pairs of which now the first goes before the second
     */
    public function __construct(
        public int $task,
        public CentreChoice $choice,
        public array $behind,
        public array $segment = [],
        public array $ahead = [],
    ) {
    }
}
