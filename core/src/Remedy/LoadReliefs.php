<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadCell;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\NoOrigins;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Trial;

/** The ways to make a work centre do no more than it can in a period, each planned: how full it is then, and what others pay for it. */
final readonly class LoadReliefs
{
    public function __construct(private Trial $trial, private ProposalOrigins $origins = new NoOrigins)
    {
    }

    /**
     * @param  list<array{int, int}>  $periods  first and last day of each, one after the other from the plan date on
     * @param  int  $place  of the period among them
     * @return iterable<array{TriedRemedy, LoadCell}> each with how full it is then; none where it is not too full
     */
    public function for(string $centre, array $periods, int $place): iterable
    {
        $before = $this->trial->outcome();
        [$load, $earlier, $others] = $this->trial->with([], function (Plan $plan) use ($centre, $periods, $place): array {
            $load = new Load($plan, new Shop($plan->network, $plan->options->calendars), $periods);
            $cell = $load->cells[$centre][$place];

            return $cell->load <= $cell->capacity ? [$load, [], []] : [
                $load, DoEarlier::find($plan, $load, $centre, $place, $this->origins),
                [...OpenLonger::find($plan, $centre), ...SmallerLots::find($plan, $load, $centre, $place)],
            ];
        });
        $harmless = DoEarlier::together(array_values(array_filter($earlier, $this->isHarmless(...))), $load, $centre, $place);
        $any = DoEarlier::together($earlier, $load, $centre, $place);
        $candidates = array_filter([$harmless, $harmless == $any ? null : $any, ...$others]);
        foreach ($candidates as $remedy) {
            try {
                [$cell, $effect] = $this->trial->with($remedy->changes, fn (Plan $plan) => [
                    (new Load($plan, new Shop($plan->network, $plan->options->calendars), $periods))->cells[$centre][$place],
                    Effect::between($before, $this->trial->standing()),
                ]);
            } catch (DoesNotFit) {
                continue;
            }
            $over = (int) max(0, $cell->load - $cell->capacity);
            yield [new TriedRemedy($remedy, $effect, $over === 0, null, $over), $cell];
        }
    }

    /** Whether it makes nobody later. */
    private function isHarmless(Remedy $remedy): bool
    {
        try {
            $effect = $this->trial->effect($remedy->changes);
        } catch (DoesNotFit) {
            return false;
        }

        return $effect->hurtDays() === 0 && $effect->change('lateLines') <= 0;
    }
}
