<?php

declare(strict_types=1);

namespace Yposta\Core\Shortage;

use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Peg;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\Structure;

/** A demand, how it is covered, and what to do about what is not. Quantities in millionths, dates as day numbers. */
final readonly class Need
{
    /**
     * @param  string  $identity  see {@see nameOf()}
     * @param  list<Peg>  $pegs  what serves it
     * @param  int  $short  what stock and open orders do not cover in time
     * @param  int|null  $orderBy  when the first proposal that serves it has to be ordered or started
     * @param  list<Demand>  $ends  whom it is for in the end
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
        public array $ends,
    ) {
    }

    /** A name that stays the same from plan to plan, though proposals get other numbers. */
    public static function nameOf(Demand $demand, Structure $structure): string
    {
        $for = $demand->for;
        if ($for !== null && $for->isProposal()) {
            return "{$demand->kind->value}:proposal:{$structure->points[$for->point]->label()}:{$for->due}:{$for->qty}:{$demand->line}:{$demand->qty}";
        }

        return $demand->reference().($demand->kind === DemandKind::Forecast ? "@{$structure->points[$demand->point]->label()}" : '');
    }
}
