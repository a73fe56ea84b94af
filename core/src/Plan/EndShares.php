<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;

/**
 * For which sales lines and forecasts each supply is in the end, in shares, followed up the pegs like {@see Causes}. Worked out for the
 * supplies that are asked about.
 */
final class EndShares
{
    /** @var array<int, array<int, array{Demand, float}>> by the supply's object id, by that of the demand */
    private array $known = [];

    private readonly PegIndex $pegs;

    public function __construct(Plan $plan)
    {
        $this->pegs = new PegIndex($plan);
    }

    /** @return array<int, array{Demand, float}> sales lines and forecasts with the share of the supply that is for them; the rest is for none */
    public function of(Supply $supply): array
    {
        $id = spl_object_id($supply);
        if (! isset($this->known[$id])) {
            $this->known[$id] = [];
            foreach ($this->pegs->servedBy($supply) as $peg) {
                $part = $peg->qty / $supply->qty;
                foreach ($this->ends($peg->demand) as $end => [$demand, $share]) {
                    $this->known[$id][$end] = [$demand, ($this->known[$id][$end][1] ?? 0.0) + $share * $part];
                }
            }
        }

        return $this->known[$id];
    }

    /** @return array<int, array{Demand, float}> */
    private function ends(Demand $demand): array
    {
        return match ($demand->kind) {
            DemandKind::Sales, DemandKind::Job, DemandKind::Forecast => [spl_object_id($demand) => [$demand, 1.0]],
            DemandKind::Safety => [],
            DemandKind::Part, DemandKind::Out => $demand->for === null ? [] : $this->of($demand->for),
        };
    }
}
