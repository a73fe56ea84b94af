<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Models\Run;
use App\Planning\DataStep;
use App\Planning\DataSteps;
use App\Planning\RunInputs;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Reading\Figures;
use App\Reading\Shapes\WhyAnswer;
use App\Reading\Shapes\WhyCause;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;
use Yposta\Core\Trial\WhyChanged;

/** Goes through what was written between two plans, and tells what of it made a figure another one. */
final class WhyView
{
    /** Figures that can be asked for. */
    public const FIGURES = ['lateLines', 'lateDays', 'short', 'startPassed', 'proposals', 'messages'];

    /**
     * @param  value-of<self::FIGURES>  $figure
     *
     * @throws Refused when it cannot be told
     */
    public static function of(Run $now, Run $before, string $figure): WhyAnswer
    {
        $network = RunInputs::of($before) ?? throw Refused::because('why.forgotten', [], 'forgotten');
        $steps = DataSteps::between($before->last_change, $now->last_change);
        $read = fn (Plan $plan): int => Outcome::of($plan)->figures[$figure];
        gc_disable(); // plans are large webs of objects
        try {
            $then = self::asThen($network, $before, $read);
            $why = WhyChanged::of(
                new Trial($network, RunParameters::options($now->parameters), RunLimits::planner()),
                array_map(fn (DataStep $step) => $step->changes, $steps), $read,
            );
        } catch (DoesNotFit|LoopFound|QuantityOutOfRange) {
            throw Refused::because('why.lost', [], 'lost');
        } finally {
            gc_enable();
        }
        [$was, $is] = [Figures::value($before, $figure), Figures::value($now, $figure)];
        $causes = [
            [(string) trans('The day moved on, or the run was asked otherwise'), null, $why->before - $then],
            ...array_map(fn (DataStep $step, int $share) => [$step->text, $step, $share], $steps, $why->own),
            ...array_map(fn (array $pair) => [
                (string) trans('Both together: :one; :other', ['one' => $steps[$pair[0]]->text, 'other' => $steps[$pair[1]]->text]), null, $pair[2],
            ], $why->together),
            [(string) trans('Several of them together'), null, $why->rest],
            [(string) trans('What is not written in the journal'), null, $is - $was - ($why->after - $then)],
        ];
        $causes = array_values(array_filter($causes, fn (array $cause) => $cause[2] !== 0));
        usort($causes, fn (array $one, array $other) => abs($other[2]) <=> abs($one[2]));

        return new WhyAnswer(Words::money($was), Words::money($is), array_map(function (array $cause) use ($figure): WhyCause {
            [$text, $step, $share] = $cause;
            $said = ($share > 0 ? '+' : "\u{2212}").Words::money(abs($share));

            return new WhyCause($text, $step->by ?? '', $step->at ?? null, $said, $share > 0 && Figures::isWorse($figure));
        }, $causes));
    }

    /**
     * The figure of the plan before, of its own data and options.
     *
     * @param  callable(Plan): int  $read
     */
    private static function asThen(Network $network, Run $before, callable $read): int
    {
        return $read(RunLimits::planner()->plan($network, RunParameters::options($before->parameters)));
    }
}
