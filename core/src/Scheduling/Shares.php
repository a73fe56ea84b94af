<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;

/**
 * What of each supply is for sales, forecast and safety stock in the end, through any number of levels (scheduling rules, section 3); the
 * rest is for nobody: lot sizes, and what is not needed. Shares are proportions and no quantities, so that floating point does for them.
 */
final class Shares
{
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

    /** @return array{float, float, float} of sales, forecast and safety stock */
    public function of(Supply $supply): array
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
            DemandKind::Part, DemandKind::Out => $peg->demand->for === null ? [0.0, 0.0, 0.0] : $this->of($peg->demand->for),
        };
        $part = $peg->qty / $peg->supply->qty;
        $own = $this->of($peg->supply);
        $this->shares[spl_object_id($peg->supply)] = [$own[0] + $sales * $part, $own[1] + $forecast * $part, $own[2] + $safety * $part];
    }
}
