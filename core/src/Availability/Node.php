<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Plan\Cover;
use Yposta\Core\Run\Demand;
use Yposta\Core\Structure\Point;

/** One need in the structure below what was asked for. Quantities in millionths, dates as day numbers. */
final readonly class Node
{
    /**
     * @param  int  $parent  place of the node above, -1 at the top
     * @param  int  $onHand  what is on stock there, whoever it is for
     * @param  bool  $decides  whether the date of the whole is decided through it
     * @param  bool  $again  whether what lies below stands at an earlier node already
     */
    public function __construct(
        public int $parent,
        public int $depth,
        public Demand $demand,
        public Point $point,
        public Cover $cover,
        public int $onHand,
        public bool $decides,
        public bool $again,
    ) {
    }

    /** What neither stock nor open orders cover in time. */
    public function short(): int
    {
        return $this->cover->wanted - $this->cover->stock - $this->cover->order;
    }
}
