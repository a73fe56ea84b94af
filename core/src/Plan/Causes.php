<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;

/**
 * Whom each supply is for in the end: sales, forecast, safety stock; the rest is for nobody: lot sizes, and what is not needed.
 *
 * Followed up the pegs; a component is for whatever its order is for, in the same shares. Shares are proportions and no quantities, so that
 * floating point does for them.
 */
final class Causes
{
    /** A whole, in millionths. */
    private const WHOLE = 1_000_000;

    /** @var array<int, array{float, float, float}> of sales, forecast and safety stock, by the supply's object id */
    private array $shares = [];

    private readonly PegIndex $pegs;

    public function __construct(Plan $plan)
    {
        $this->pegs = new PegIndex($plan);
    }

    /** @return array{int, int} millionths of the supply that are for sales and for forecast; the rest is for the stock rule */
    public function of(Supply $supply): array
    {
        [$sales, $forecast] = $this->shares($supply);

        return [(int) round($sales * self::WHOLE), (int) round($forecast * self::WHOLE)];
    }

    /** @return array{float, float, float} shares of sales, forecast and safety stock */
    public function shares(Supply $supply): array
    {
        $id = spl_object_id($supply);
        if (! isset($this->shares[$id])) {
            $this->shares[$id] = [0.0, 0.0, 0.0]; // an order that in the end needs itself is for nobody
            $shares = [0.0, 0.0, 0.0];
            foreach ($this->pegs->servedBy($supply) as $peg) {
                [$sales, $forecast, $safety] = $this->ofDemand($peg->demand);
                $part = $peg->qty / $supply->qty;
                $shares = [$shares[0] + $sales * $part, $shares[1] + $forecast * $part, $shares[2] + $safety * $part];
            }
            $this->shares[$id] = $shares;
        }

        return $this->shares[$id];
    }

    /** @return array{float, float, float} */
    private function ofDemand(Demand $demand): array
    {
        return match ($demand->kind) {
            DemandKind::Sales, DemandKind::Job => [1.0, 0.0, 0.0],
            DemandKind::Forecast => [0.0, 1.0, 0.0],
            DemandKind::Safety => [0.0, 0.0, 1.0],
            DemandKind::Part, DemandKind::Out => $demand->for === null ? [0.0, 0.0, 0.0] : $this->shares($demand->for),
        };
    }
}
