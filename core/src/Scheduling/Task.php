<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** An operation of an order or a proposal in the schedule. */
final class Task
{
    /** @var list<array{Supply, Demand}> what it waits for of its material: what serves which need */
    public array $waits = [];

    /**
     * @param  int  $job  place of its job
     * @param  int  $place  in its job
     * @param  non-empty-list<CentreChoice>  $choices  its own centre first
     * @param  int  $queue  millionths of a minute before it
     * @param  int  $move  millionths of a minute after it
     * @param  bool  $begun  whether some of it is done
     * @param  Placed|null  $old  where it stood; null where it has not been scheduled
     * @param  bool  $fixed  whether it keeps centre, units and start
     * @param  bool  $frozen  whether it keeps its end, too
     * @param  bool  $byHand  whether a person has fixed it
     */
    public function __construct(
        public readonly int $job,
        public readonly int $place,
        public readonly int $op,
        public readonly array $choices,
        public readonly int $crew,
        public readonly int $queue,
        public readonly int $move,
        public readonly string $family,
        public readonly bool $begun,
        public readonly ?Placed $old,
        public readonly bool $fixed,
        public readonly bool $frozen,
        public readonly bool $byHand = false,
    ) {
    }
}
