<?php

declare(strict_types=1);

namespace Yposta\Core\Shortage;

use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\Peg;
use Yposta\Core\Structure\Point;

/** A demand, how it is covered, and what to do about what is not. Quantities in millionths, dates as day numbers. */
final readonly class Need
{
    /**
     * @param  list<Peg>  $pegs  what serves it
     * @param  int  $short  what stock and open orders do not cover in time
     * @param  int|null  $orderBy  when the first proposal that serves it has to be ordered or started
     * @param  list<Demand>  $ends  whom it is for in the end
     */
    public function __construct(
        public Demand $demand,
        public Point $point,
        public Cover $cover,
        public array $pegs,
        public NeedState $state,
        public int $short,
        public ?int $orderBy,
        public array $ends,
    ) {
    }

    /** A name that stays the same from plan to plan, though proposals get other numbers. */
    public function identity(): string
    {
        return self::nameOf($this->demand, $this->point);
    }

    public static function nameOf(Demand $demand, Point $point): string
    {
        $for = $demand->for;

        return $for !== null && $demand->isOfProposal()
            ? "{$demand->kind->value}:proposal:{$point->label()}:{$for->due}:{$for->qty}:{$demand->line}:{$demand->qty}"
            : $demand->reference().($demand->reference() === "forecast:{$demand->name}/{$demand->line}" ? "@{$point->label()}" : '');
    }
}
