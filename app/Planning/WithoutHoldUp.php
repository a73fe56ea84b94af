<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Peg;
use Yposta\Core\Plan\Sentences;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Planner;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;

/** What would decide the date of a sales line if the supply in which its delay begins came in time: found by planning it so. */
final readonly class WithoutHoldUp
{
    /** The code of an order that only stands in for a proposal. */
    private const STAND_IN = 'new:in time';

    public function __construct(private NetworkReader $reader, private Planner $planner)
    {
    }

    /**
     * @param  Peg  $beginning  the supply in which the delay begins, and what needs it
     * @return array{expected: string|null, lateDays: int, spare: int, why: string} date as ISO date; days before the due date that are spare
     */
    public function of(Run $run, Demand $line, Peg $beginning, string $item, string $site): array
    {
        $change = $this->inTime($beginning, $item, $site);
        $plan = $this->planner->plan((new Changes([$change]))->apply($this->reader->read()), RunParameters::options($run->parameters));
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind === DemandKind::Sales && $demand->name === $line->name && $demand->line === $line->line) {
                    $sentences = new Sentences(PlanStore::templates(), $plan->structure, $plan->options->planDate);
                    $expected = $demand->expected === null ? null : (new Dates)->iso($demand->expected);

                    return ['expected' => $expected, 'lateDays' => $demand->lateDays(), 'spare' => max(0, (int) $demand->date - (int) $demand->expected), 'why' => $demand->holdUp === null ? '' : $sentences->holdUp($demand->holdUp)];
                }
            }
        }

        return ['expected' => null, 'lateDays' => 0, 'spare' => 0, 'why' => ''];
    }

    private function inTime(Peg $beginning, string $item, string $site): Change
    {
        $supply = $beginning->supply;
        $wanted = (int) $beginning->demand->date;

        return $supply->isProposal() ? $this->standIn($supply, $item, $site, $wanted) : new MoveOrder($supply->name, $wanted, $supply->start > $wanted ? $wanted : null);
    }

    private function standIn(Supply $supply, string $item, string $site, int $wanted): PutOrder
    {
        return new PutOrder(self::STAND_IN, 'buy', $item, $site, $supply->qty, $wanted, min($supply->start, $wanted), $supply->supplier, status: 'released');
    }
}
