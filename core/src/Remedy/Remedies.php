<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\WrittenRows;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\NoOrigins;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;

/**
 * Finds what could be done about a need that is not covered in time. Candidates come from the plan and the master data; each is planned
 * before it is told, and one that does not help is left out.
 */
final readonly class Remedies
{
    /**
     * @param  Trial  $trial  standing where remedies are to be tried: the live data, with the draft
     * @param  Network|null  $undrafted  the live data without the draft: what only takes back what was drafted is no remedy
     */
    public function __construct(private Trial $trial, private ProposalOrigins $origins = new NoOrigins, private ?Network $undrafted = null)
    {
    }

    /**
     * Those that help, as they are found.
     *
     * @param  string  $identity  of the need, see {@see Need}
     * @param  int|null  $near  the point at which it is looked for first
     * @return iterable<TriedRemedy>
     */
    public function for(string $identity, ?int $near = null): iterable
    {
        $before = $this->trial->outcome();
        [$candidates, $expected, $short, $near] = $this->trial->with([], function (Plan $plan) use ($identity, $near): array {
            $need = (new Shortages($plan))->find($identity, $near);

            return $need === null || $need->short === 0 ? [[], null, 0, null] : [
                $this->candidates(new Situation($plan, $need, $this->origins)), $need->demand->expected, $need->short,
                $need->point->index,
            ];
        });
        $offered = [];
        foreach ($candidates as $remedy) {
            $title = (string) $remedy->title();
            if (isset($offered[$title])) {
                continue;
            }
            try {
                if ($this->onlyTakesBack($remedy)) {
                    continue;
                }
                $tried = $this->trial->with($remedy->changes, fn (Plan $plan) => $this->judge($plan, $before, $remedy, $identity, $near));
            } catch (DoesNotFit) {
                continue;
            }
            $earlier = $tried->expected !== null && ($expected === null || $tried->expected < $expected);
            $later = $tried->expected === null ? $expected !== null : $expected !== null && $tried->expected > $expected;
            if ($tried->solves || $earlier || ($tried->short < $short && ! $later) || $tried->effect->change('lateDays') < 0) {
                $offered[$title] = true;
                yield $tried;
            }
        }
    }

    /**
     * Whether all that it writes is what stood there before the draft.
     *
     * @throws DoesNotFit
     */
    private function onlyTakesBack(Remedy $remedy): bool
    {
        $drafted = $this->trial->network();
        if ($this->undrafted === null || $this->undrafted === $drafted) {
            return false;
        }
        $after = (new Changes($remedy->changes))->apply($drafted);

        return WrittenRows::between($drafted, $after)->isApartFrom(WrittenRows::between($this->undrafted, $after));
    }

    private function judge(Plan $plan, Outcome $before, Remedy $remedy, string $identity, ?int $near): TriedRemedy
    {
        $solves = true;
        $short = 0;
        $days = [];
        foreach ((new Shortages($plan))->findAll($remedy->about() ?: [$identity], $near) as $need) {
            $solves = $solves && $need->demand->uncovered === 0 && $need->demand->lateDays() === 0;
            $short += $remedy->short($need);
            $days[] = $need->demand->expected ?? PHP_INT_MAX;
        }
        $expected = $days === [] || max($days) === PHP_INT_MAX ? null : max($days);

        return new TriedRemedy($remedy, Effect::between($before, $this->trial->standing()), $solves, $expected, $short);
    }

    /** @return list<Remedy> */
    private function candidates(Situation $in): array
    {
        return [
            ...Substitution::find($in), ...TakeFromOthers::find($in), ...PullIn::find($in), ...Hurry::find($in), ...TransferFree::find($in),
            ...OtherSupplier::find($in),
            ...BuyInstead::find($in), ...OrderNow::find($in), ...PartialBuild::find($in), ...DelayLine::find($in), ...DelayOrder::find($in),
            ...MostUrgent::find($in),
        ];
    }
}
