<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadCell;
use Yposta\Core\Scheduling\ShopPlan;
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
     * @param  int  $day  in the period
     * @return iterable<array{TriedRemedy, LoadCell}> each with how full it is then; none where it is not too full
     */
    public function for(string $centre, int $day, BucketSize $size): iterable
    {
        $before = $this->trial->outcome();
        [$load, $earlier, $later, $others] = $this->trial->with([], function (Plan $plan) use ($centre, $day, $size): array {
            $load = self::load($plan, $size);
            $place = $load->placeOf($day);
            $cell = $load->cells[$centre][$place];

            return $cell->load <= $cell->capacity ? [$load, [], [], []] : [
                $load, DoEarlier::find($plan, $load, $centre, $place, $this->origins),
                DoLater::find($plan, $load, $centre, $place, $this->origins),
                [
                    ...OtherCentre::find($plan, $load, $centre, $place, $this->origins), ...OpenLonger::find($plan, $centre),
                    ...SmallerLots::find($plan, $load, $centre, $place),
                    ...BuyTheWork::find($plan, $load, $centre, $place, $this->origins),
                    ...LessForecast::find($plan, $load, $centre, $place),
                ],
            ];
        });
        $place = $load->placeOf($day);
        $over = $load->cells[$centre][$place]->load - $load->cells[$centre][$place]->capacity;
        $room = DoEarlier::room($load, $centre, $place);
        $harmless = DoEarlier::together(array_values(array_filter($earlier, $this->isHarmless(...))), $room, $over);
        $any = DoEarlier::together($earlier, $room, $over);
        $after = DoLater::together(
            array_values(array_filter($later, $this->isHarmless(...))), DoLater::room($load, $centre, $place), $over,
        );
        $candidates = array_filter([$harmless, $harmless == $any ? null : $any, $after, ...$others]);
        foreach ($candidates as $remedy) {
            try {
                [$cell, $effect] = $this->trial->with($remedy->changes, fn (Plan $plan) => [
                    self::load($plan, $size)->cells[$centre][$place],
                    Effect::between($before, $this->trial->standing()),
                ]);
            } catch (DoesNotFit) {
                continue;
            }
            $then = $cell->load - $cell->capacity;
            if ($then >= $over) {
                continue; // it helps nothing
            }
            $then = (int) max(0, $then);
            yield [new TriedRemedy($remedy, $effect, $then === 0, null, $then), $cell];
        }
    }

    private static function load(Plan $plan, BucketSize $size): Load
    {
        return new Load($plan, ShopPlan::shop($plan), $size);
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
