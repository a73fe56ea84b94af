<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Models\MasterItem;
use App\Models\Run;
use App\Planning\DataStep;
use App\Planning\DataSteps;
use App\Planning\RunInputs;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Reading\Figures;
use App\Reading\Shapes\WhyAnswer;
use App\Reading\Shapes\WhyCause;
use App\Reading\Shapes\WhyChange;
use App\Reading\Shapes\WhyShare;
use App\Reading\StoredPlan;
use App\Support\Refused;
use App\Support\Stored;
use App\Support\Words;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Amounts;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;
use Yposta\Core\Trial\WhyChanged;

/** Goes through what was written between two plans, and tells what of it made a figure another one. */
final class WhyView
{
    private const LATE = 'late';

    private const PROPOSED = 'proposed';

    /** Figures that can be asked for. */
    public const FIGURES = [...self::COUNTS, ...self::AMOUNTS, self::OVER];

    private const COUNTS = ['lateLines', 'lateDays', 'short', 'startPassed', 'proposals', 'messages', 'stockValue'];

    private const AMOUNTS = ['neededValue', 'buyValue', 'workHours'];

    private const OVER = 'overHours';

    /**
     * @param  value-of<self::FIGURES>  $figure
     *
     * @throws Refused when it cannot be told
     */
    public static function of(Run $now, Run $before, string $figure): WhyAnswer
    {
        return self::answer(
            told: self::told($now, $before, self::reading([$figure])), figure: $figure, was: Figures::value($before, $figure),
            is: Figures::value($now, $figure), isWorse: Figures::isWorse($figure), say: Words::money(...),
        );
    }

    /**
     * Why a sales line, or a line of a job, is late by other days than it was.
     *
     * @param  Reference  $line  of the demand
     *
     * @throws Refused when it cannot be told, or one of the plans does not have the line
     */
    public static function ofLine(Run $now, Run $before, Reference $line): WhyAnswer
    {
        $days = fn (Run $run): int => (new StoredPlan($run))->ordered($line)?->lateDays() ?? throw Refused::because('why.no_line', [], 'no line');
        $reference = (string) $line;
        $read = function (Plan $plan) use ($reference): array {
            foreach ($plan->demands as $demands) {
                foreach ($demands as $demand) {
                    if ($demand->kind->isOrdered() && $demand->reference() === $reference) {
                        return [self::LATE => $demand->lateDays()];
                    }
                }
            }

            return [self::LATE => 0];
        };

        return self::answer(
            told: self::told($now, $before, $read), figure: self::LATE, was: $days($before), is: $days($now), isWorse: true,
            say: Words::money(...),
        );
    }

    /**
     * Why another quantity of an item is proposed up to a day than it was. Single proposals have nothing by which one would be the same in
     * two plans; what there is of an item by a day is, however it is parted and numbered.
     *
     * @param  int  $until  day number of the last day on which a proposal may be due
     *
     * @throws Refused when it cannot be told
     */
    public static function ofProposals(Run $now, Run $before, string $item, string $site, int $until): WhyAnswer
    {
        $read = function (Plan $plan) use ($item, $site, $until): array {
            $point = $plan->structure->find($item, $site);
            $supplies = $point === null ? [] : $plan->supplies[$point->index] ?? [];
            $due = array_filter($supplies, fn (Supply $supply) => $supply->isProposal() && $supply->due <= $until);

            return [self::PROPOSED => array_sum(array_map(fn (Supply $supply) => $supply->qty, $due))];
        };
        $unit = MasterItem::query()->where('code', $item)->value('unit') ?? throw Refused::because('why.no_proposal', [], 'no proposal');

        return self::answer(
            told: self::told($now, $before, $read), figure: self::PROPOSED, was: (new StoredPlan($before))->proposed($item, $site, $until),
            is: (new StoredPlan($now))->proposed($item, $site, $until), isWorse: false,
            say: fn (int $qty) => Words::quantity($qty, Stored::text($unit)),
        );
    }

    /**
     * @param  array{list<DataStep>, array<string, int>, array<string, WhyChanged>}  $told  see {@see told()}
     * @param  int  $was  in the plan before
     * @param  int  $is  in this one
     * @param  callable(int): string  $say
     */
    private static function answer(array $told, string $figure, int $was, int $is, bool $isWorse, callable $say): WhyAnswer
    {
        [$steps, $then, $all] = $told;
        $why = $all[$figure];
        $causes = [
            [(string) trans('The day moved on, or the run was asked otherwise'), null, $why->before - $then[$figure]],
            ...array_map(fn (DataStep $step, int $share) => [$step->text, $step, $share], $steps, $why->own),
            ...array_map(fn (array $pair) => [self::both($steps, $pair[0], $pair[1]), null, $pair[2]], $why->together),
            [(string) trans('Several of them together'), null, $why->rest],
            [(string) trans('What is not written in the journal'), null, $is - $was - ($why->after - $then[$figure])],
        ];
        $causes = array_values(array_filter($causes, fn (array $cause) => $cause[2] !== 0));
        usort($causes, fn (array $one, array $other) => abs($other[2]) <=> abs($one[2]));

        return new WhyAnswer($say($was), $say($is), array_map(function (array $cause) use ($isWorse, $say): WhyCause {
            [$text, $step, $share] = $cause;
            $said = ($share > 0 ? '+' : "\u{2212}").$say(abs($share));

            return new WhyCause($text, $step->by ?? '', $step->at ?? null, $said, $share > 0 && $isWorse);
        }, $causes));
    }

    /**
     * @param  non-empty-list<value-of<self::FIGURES>>  $figures
     * @return callable(Plan): array<string, int>
     */
    private static function reading(array $figures): callable
    {
        return fn (Plan $plan): array => array_intersect_key([
            ...array_intersect(self::COUNTS, $figures) === [] ? [] : Outcome::of($plan)->figures,
            ...array_intersect(self::AMOUNTS, $figures) === [] ? [] : Amounts::of($plan)->figures(),
            ...in_array(self::OVER, $figures, true)
                ? [self::OVER => (new Load($plan, ShopPlan::shop($plan), BucketSize::Week))->hoursOver()]
                : [],
        ], array_flip($figures));
    }

    /**
     * All that was written between two plans, the largest part first by the figures in their order, each with what it did to all of them.
     *
     * @return list<WhyChange>
     *
     * @throws Refused when it cannot be told
     */
    public static function causes(Run $now, Run $before): array
    {
        [$steps, $then, $told] = self::told($now, $before, self::reading(self::FIGURES));
        $causes = [];
        foreach ($told as $figure => $why) {
            $add = function (string $key, string $text, ?DataStep $step, int $share) use (&$causes, $figure): void {
                if ($share !== 0) {
                    $causes[$key] ??= [$text, $step, []];
                    $causes[$key][2][$figure] = $share;
                }
            };
            $add('day', (string) trans('The day moved on, or the run was asked otherwise'), null, $why->before - $then[$figure]);
            foreach ($steps as $place => $step) {
                $add("step {$place}", $step->text, $step, $why->own[$place]);
            }
            foreach ($why->together as [$one, $other, $share]) {
                $add("both {$one} {$other}", self::both($steps, $one, $other), null, $share);
            }
            $add('rest', (string) trans('Several of them together'), null, $why->rest);
            $unsaid = Figures::value($now, $figure) - Figures::value($before, $figure) - ($why->after - $then[$figure]);
            $add('unsaid', (string) trans('What is not written in the journal'), null, $unsaid);
        }
        $weight = fn (array $cause): array => array_map(fn (string $figure) => abs($cause[2][$figure] ?? 0), self::FIGURES);
        uasort($causes, fn (array $one, array $other) => $weight($other) <=> $weight($one));

        return array_values(array_map(fn (array $cause) => new WhyChange(
            $cause[0], $cause[1]->by ?? '', $cause[1]->at ?? null,
            array_map(fn (string $figure) => self::share($figure, $cause[2][$figure]), array_keys($cause[2])),
        ), $causes));
    }

    private static function share(string $figure, int $share): WhyShare
    {
        [$label, $isWorse] = Figures::labels()[$figure];

        return new WhyShare(
            $label, ($share > 0 ? '+' : "\u{2212}").Words::money(abs($share)), $share > 0 && $isWorse, $share < 0 && $isWorse,
        );
    }

    /** @param  list<DataStep>  $steps */
    private static function both(array $steps, int $one, int $other): string
    {
        return (string) trans('Both together: :one; :other', ['one' => $steps[$one]->text, 'other' => $steps[$other]->text]);
    }

    /**
     * What was written between two plans, what the figures were in the one before, and what each step made of them.
     *
     * @param  callable(Plan): array<string, int>  $read
     * @return array{list<DataStep>, array<string, int>, array<string, WhyChanged>}
     *
     * @throws Refused when it cannot be told
     */
    private static function told(Run $now, Run $before, callable $read): array
    {
        $network = RunInputs::of($before) ?? throw Refused::because('why.forgotten', [], 'forgotten');
        $steps = DataSteps::between($before->last_change, $now->last_change);
        gc_disable(); // plans are large webs of objects
        try {
            $then = $read(RunLimits::planner()->plan($network, RunParameters::options($before->parameters)));

            return [$steps, $then, WhyChanged::several(
                new Trial($network, RunParameters::options($now->parameters), RunLimits::planner()),
                array_map(fn (DataStep $step) => $step->changes, $steps), $read,
            )];
        } catch (DoesNotFit|LoopFound|QuantityOutOfRange) {
            throw Refused::because('why.lost', [], 'lost');
        } finally {
            gc_enable();
        }
    }
}
