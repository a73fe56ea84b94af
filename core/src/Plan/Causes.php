<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
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

    public function __construct(Plan $plan)
    {
        foreach ($plan->structure->netting as $index) {
            foreach ($plan->pegsAt($index) as $peg) {
                $this->add($peg);
            }
        }
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
        return $this->shares[spl_object_id($supply)] ?? [0.0, 0.0, 0.0];
    }

    /** What the demand is for has been followed before: its order stands above. */
    private function add(Peg $peg): void
    {
        [$sales, $forecast, $safety] = match ($peg->demand->kind) {
            DemandKind::Sales => [1.0, 0.0, 0.0],
            DemandKind::Forecast => [0.0, 1.0, 0.0],
            DemandKind::Safety => [0.0, 0.0, 1.0],
            DemandKind::Part, DemandKind::Out => $peg->demand->for === null ? [0.0, 0.0, 0.0] : $this->shares($peg->demand->for),
        };
        $part = $peg->qty / $peg->supply->qty;
        $own = $this->shares($peg->supply);
        $this->shares[spl_object_id($peg->supply)] = [$own[0] + $sales * $part, $own[1] + $forecast * $part, $own[2] + $safety * $part];
    }
}
