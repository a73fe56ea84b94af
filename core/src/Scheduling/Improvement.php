<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/**
 * Looks for a better schedule by changing who goes first, step by step. Steps are counted and chance is seeded,
 * so that the same input gives the same schedule; the result is never worse than what it began with.
 */
final class Improvement
{
    /** How far one is moved in the sequence at most. */
    private const REACH = 12;

    private int $state;

    public function __construct(private readonly Scheduler $scheduler, private readonly ScheduleOptions $options)
    {
        $this->state = $options->seed & 0x7FFFFFFF;
    }

    /**
     * @param  list<int>  $sequence  places of jobs as they went first
     * @param  callable(int): bool  $goesOn  told how many steps were made; whether there is time for another
     * @return array{Schedule, int} the best found, and the steps that were made
     */
    public function of(Schedule $best, array $sequence, callable $goesOn): array
    {
        $count = count($sequence);
        $score = $best->score($this->options->aim);
        $steps = 0;
        $start = $this->scheduler->schedule($sequence);
        if ($start->score($this->options->aim) < $score) {
            [$best, $score] = [$start, $start->score($this->options->aim)];
        }
        $own = $start->score($this->options->aim);
        for (; $count > 1 && $steps < $this->options->steps && $goesOn($steps); $steps++) {
            $from = $this->chance($count);
            $to = max(0, min($count - 1, $from + $this->chance(2 * self::REACH + 1) - self::REACH));
            $other = $sequence;
            array_splice($other, $to, 0, array_splice($other, $from, 1));
            $found = $this->scheduler->schedule($other);
            $worth = $found->score($this->options->aim);
            if ($worth <= $own) {
                [$sequence, $own] = [$other, $worth];
            }
            if ($worth < $score) {
                [$best, $score] = [$found, $worth];
            }
        }

        return [$best, $steps];
    }

    private function chance(int $below): int
    {
        $this->state = ($this->state * 1_103_515_245 + 12_345) & 0x7FFFFFFF;

        return ($this->state >> 8) % $below;
    }
}
