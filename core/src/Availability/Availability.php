<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Trial;

/** Answers when something is complete, the first day on which it can be, and how much there could be. Each answer is planned. */
final readonly class Availability
{
    /** Days tried one after the other, each the day that the one before it led to. */
    private const STEPS = 12;

    /** Days from the first that works, within which one is looked for that hurts nobody. */
    private const FURTHEST = 128;

    /** So many of them are tried one after the other: what hurts somebody on one day may hurt nobody on the next, and again somebody. */
    private const ONE_BY_ONE = 8;

    public function __construct(private Trial $trial, private Question $question)
    {
    }

    /**
     * @template T
     *
     * @param  callable(Answer, Effect, Plan): T  $read  the answer, and what asking this way does to others; keeps nothing of them
     * @return T
     *
     * @throws DoesNotFit
     */
    public function on(int $qty, int $due, callable $read): mixed
    {
        $network = $this->trial->network();
        $before = $this->trial->outcome();

        return $this->trial->with(
            $this->question->changes($network, $qty, $due),
            fn (Plan $plan) => $read($this->question->answer($plan, $network), Effect::between($before, $this->trial->standing()), $plan),
        );
    }

    /**
     * The first day on which a quantity is complete in time.
     *
     * @param  int  $qty  millionths
     * @return int|null day number; null when nothing would serve it
     *
     * @throws DoesNotFit
     */
    public function earliest(int $qty, int $from): ?int
    {
        for ($step = 0; $step < self::STEPS; $step++) {
            $complete = $this->on($qty, $from, fn (Answer $answer) => $answer->complete);
            if ($complete === null || $complete <= $from) {
                return $complete === null ? null : $from;
            }
            $from = $complete;
        }

        return $from;
    }

    /**
     * The first day from one on, on which a quantity is complete in time and makes nobody late: the next days one by one, then
     * further and further on, and between the last that hurts and the first that does not.
     *
     * @param  int  $qty  millionths
     * @param  callable(Effect): bool  $hurts
     * @return int|null day number; null when none is found
     *
     * @throws DoesNotFit
     */
    public function harmless(int $qty, int $from, callable $hurts): ?int
    {
        $isHarmless = fn (Answer $answer, Effect $effect): bool => $answer->isInTime() && ! $hurts($effect);
        $works = fn (int $day): bool => $this->on($qty, $day, $isHarmless);
        for ($day = $from; $day < $from + self::ONE_BY_ONE; $day++) {
            if ($works($day)) {
                return $day;
            }
        }
        $bad = self::ONE_BY_ONE - 1;
        for ($good = 2 * self::ONE_BY_ONE; $good <= self::FURTHEST && ! $works($from + $good); $bad = $good, $good *= 2);
        if ($good > self::FURTHEST) {
            return null;
        }
        while ($good - $bad > 1) {
            $middle = intdiv($bad + $good, 2);
            $works($from + $middle) ? $good = $middle : $bad = $middle;
        }

        return $from + $good;
    }

    /**
     * How much could be complete on a day.
     *
     * @param  bool  $fromWhatThereIs  whether only stock and open orders count, and nothing is ordered for it
     * @param  int  $step  the smallest quantity, millionths
     * @param  int  $most  no more than so much is looked for, millionths
     * @return int millionths
     */
    public function possible(int $due, bool $fromWhatThereIs, int $step, int $most): int
    {
        $works = function (int $steps) use ($due, $fromWhatThereIs, $step): bool {
            try {
                return $this->on(
                    $steps * $step,
                    $due,
                    fn (Answer $answer) => $answer->isInTime() && (! $fromWhatThereIs || $answer->isFromWhatThereIs()),
                );
            } catch (DoesNotFit) {
                return false;
            }
        };
        $limit = intdiv($most, $step);
        for ($good = 0, $bad = 1; $bad <= $limit && $works($bad); $good = $bad, $bad *= 2);
        $bad = min($bad, $limit + 1);
        while ($bad - $good > 1) {
            $middle = intdiv($good + $bad, 2);
            $works($middle) ? $good = $middle : $bad = $middle;
        }

        return $good * $step;
    }
}
