<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Summary;

/**
 * What a plan is judged by when a change is tried: totals, and when customers and open orders get what they wait for. It outlives the
 * plan. It is kept by point, so that after a net change only the points that it reached are gone through again.
 */
final readonly class Outcome
{
    /**
     * @param  array<string, int>  $figures  totals by name: those of {@see Summary::figures()}, `purchases` proposed and `moves` of
     *    open purchases asked for
     * @param  array<int, PointOutcome>  $points  what each point adds to them, by its index
     */
    private function __construct(public array $figures, private array $points)
    {
    }

    public static function of(Plan $plan): self
    {
        $points = [];
        $figures = ['lateLines' => 0, 'lateDays' => 0, 'short' => 0, 'startPassed' => 0, 'proposals' => 0, 'messages' => 0,
            'stockValue' => 0, 'purchases' => 0, 'moves' => 0];
        foreach ($plan->structure->points as $index => $_) {
            $points[$index] = $point = PointOutcome::of($plan, $index);
            foreach ($point->figures as $name => $value) {
                $figures[$name] += $value;
            }
        }

        return new self($figures, $points);
    }

    /**
     * The outcome of a plan that went on from that of this one.
     *
     * @param  array<int, true>  $renewed  points that differ since, by index
     */
    public function after(Plan $plan, array $renewed): self
    {
        [$figures, $points] = [$this->figures, $this->points];
        foreach ($renewed as $index => $_) {
            $before = $points[$index];
            $points[$index] = $point = PointOutcome::of($plan, $index);
            foreach ($point->figures as $name => $value) {
                $figures[$name] += $value - $before->figures[$name];
            }
        }

        return new self($figures, $points);
    }

    /**
     * The points whose outcome is another.
     *
     * @return iterable<array{PointOutcome|null, PointOutcome|null}> before and after
     */
    public function differences(self $after): iterable
    {
        foreach ($this->points + $after->points as $index => $_) {
            [$old, $new] = [$this->points[$index] ?? null, $after->points[$index] ?? null];
            if ($old !== $new) {
                yield [$old, $new];
            }
        }
    }
}
