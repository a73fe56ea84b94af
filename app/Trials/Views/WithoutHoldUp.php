<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Models\Run;
use App\Planning\Dates;
use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\ThreadWithout;
use App\Support\Words;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\PlanPhrases;
use Yposta\Core\Planner;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;

/** What would decide the date of a sales line if the supply in which its delay begins came in time: found by planning it so. */
final readonly class WithoutHoldUp
{
    public function __construct(private NetworkReader $reader, private Planner $planner)
    {
    }

    /**
     * @param  Peg  $beginning  the supply in which the delay begins, and what needs it
     */
    public function of(Run $run, Demand $line, Peg $beginning, string $item, string $site): ThreadWithout
    {
        $change = $this->inTime($beginning, $item, $site);
        $plan = $this->planner->plan((new Changes([$change]))->apply($this->reader->read()), RunParameters::options($run->parameters));
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind === DemandKind::Sales && $demand->name === $line->name && $demand->line === $line->line) {
                    $phrases = new PlanPhrases($plan->structure);
                    $expected = $demand->expected === null ? null : (new Dates)->iso($demand->expected);

                    return new ThreadWithout(
                        expected: $expected,
                        lateDays: $demand->lateDays(),
                        spare: max(0, (int) $demand->date - (int) $demand->expected),
                        why: $demand->holdUp === null ? '' : Words::say($phrases->holdUp($demand->holdUp), $plan->options->planDate),
                    );
                }
            }
        }

        return new ThreadWithout(null, 0, 0, '');
    }

    private function inTime(Peg $beginning, string $item, string $site): Change
    {
        $supply = $beginning->supply;
        $wanted = (int) $beginning->demand->date;

        return $supply->isProposal()
            ? $this->standIn($supply, $item, $site, $wanted)
            : new MoveOrder($supply->name, $wanted, $supply->start > $wanted ? $wanted : null);
    }

    private function standIn(Supply $supply, string $item, string $site, int $wanted): PutOrder
    {
        return new PutOrder(OpenOrder::of(
            code: NewOrderCode::free([])[0], kind: OrderKind::Buy, status: OrderStatus::Released, item: $item, site: $site,
            supplier: $supply->supplier, qty: $supply->qty, start: min($supply->start, $wanted), due: $wanted,
        ));
    }
}
