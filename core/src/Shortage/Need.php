<?php

declare(strict_types=1);

namespace Yposta\Core\Shortage;

use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Structure\Point;

/** A demand, how it is covered, and what to do about what is not. Quantities in millionths, dates as day numbers. */
final readonly class Need
{
    /**
     * @param  string  $identity  see {@see DemandIdentity}
     * @param  list<Peg>  $pegs  what serves it
     * @param  int  $short  what stock and open orders do not cover in time
     * @param  int|null  $orderBy  when the first proposal that serves it has to be ordered or started
     */
    public function __construct(
        public string $identity,
        public Demand $demand,
        public Point $point,
        public Cover $cover,
        public array $pegs,
        public NeedState $state,
        public int $short,
        public ?int $orderBy,
    ) {
    }
}
