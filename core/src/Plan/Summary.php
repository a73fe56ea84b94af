<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\HoldUpReason;

/** The figures by which two plans are compared at a glance. */
final readonly class Summary
{
    /** What a product of two numbers in millionths is divided by. */
    private const SQUARE = 1_000_000_000_000;

    /**
     * @param  array<string, int>  $messages  how many by code
     * @param  array<string, int>  $lateByReason  days that sales lines are late by reason of the hold-up
     * @param  int  $points  points that have any supply or demand
     * @param  int  $lateLines  sales lines expected after their date
     * @param  int  $lateDays  their days in all
     * @param  int  $salesLines  open sales lines in the run
     * @param  int  $startPassed  proposals that should have been started before the plan date
     * @param  int  $startToday  proposals to start on the plan date
     * @param  int  $short  points whose projected stock falls below zero
     * @param  int  $stockValue  what the projected stock is worth on average, see {@see StockValue}
     */
    private function __construct(
        public int $points,
        public int $proposals,
        public int $salesLines,
        public int $lateLines,
        public int $lateDays,
        public int $startPassed,
        public int $startToday,
        public int $short,
        public int $stockValue,
        public array $messages,
        public array $lateByReason,
    ) {
    }

    public static function of(Plan $plan): self
    {
        $lines = $late = $days = $passed = $today = 0;
        $reasons = $messages = [];
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                if (! $demand->kind->isOrdered()) {
                    continue;
                }
                $lines++;
                if ($demand->lateDays() > 0) {
                    $late++;
                    $days += $demand->lateDays();
                    $reason = $plan->holdUp($demand)?->reason->value ?? HoldUpReason::NoSupply->value;
                    $reasons[$reason] = ($reasons[$reason] ?? 0) + $demand->lateDays();
                }
            }
        }
        $value = array_sum(StockValue::byPoint($plan));
        foreach ($plan->proposals() as $proposal) {
            $passed += $proposal->start < $plan->options->planDate ? 1 : 0;
            $today += $proposal->start === $plan->options->planDate ? 1 : 0;
        }
        foreach ($plan->messages() as $message) {
            $messages[$message->code->value] = ($messages[$message->code->value] ?? 0) + 1;
        }
        arsort($reasons);

        $points = count($plan->supplies + $plan->demands);

        return new self(
            points: $points,
            proposals: count($plan->proposals()),
            salesLines: $lines,
            lateLines: $late,
            lateDays: $days,
            startPassed: $passed,
            startToday: $today,
            short: count($plan->shortFrom),
            stockValue: $value,
            messages: $messages,
            lateByReason: $reasons,
        );
    }

    /** @return array<string, int> the totals by name */
    public function figures(): array
    {
        return [
            'lateLines' => $this->lateLines, 'lateDays' => $this->lateDays, 'short' => $this->short, 'startPassed' => $this->startPassed,
            'proposals' => $this->proposals, 'messages' => array_sum($this->messages), 'stockValue' => $this->stockValue,
        ];
    }

    /**
     * What one point adds to {@see figures()}.
     *
     * @return array{lateLines: int, lateDays: int, short: int, startPassed: int, proposals: int, messages: int, stockValue: int}
     */
    public static function figuresAt(Plan $plan, int $index): array
    {
        $late = $days = $passed = $proposals = 0;
        foreach ($plan->demands[$index] ?? [] as $demand) {
            if ($demand->kind->isOrdered() && $demand->lateDays() > 0) {
                $late++;
                $days += $demand->lateDays();
            }
        }
        foreach ($plan->supplies[$index] ?? [] as $supply) {
            if ($supply->isProposal()) {
                $proposals++;
                $passed += $supply->start < $plan->options->planDate ? 1 : 0;
            }
        }

        return [
            'lateLines' => $late, 'lateDays' => $days, 'short' => isset($plan->shortFrom[$index]) ? 1 : 0, 'startPassed' => $passed,
            'proposals' => $proposals, 'messages' => count($plan->messagesAt($index)), 'stockValue' => StockValue::at($plan, $index),
        ];
    }

    /**
     * What a quantity is worth, in whole units of the currency; at most the largest number there is.
     *
     * @param  int  $qty  millionths, not negative
     * @param  int  $price  millionths of the currency for one unit
     */
    public static function value(int $qty, int $price): int
    {
        $product = Quantity::product($qty, $price);
        if (is_int($product)) {
            $whole = intdiv($product, self::SQUARE);

            return $whole + ($product % self::SQUARE * 2 >= self::SQUARE ? 1 : 0);
        }
        $value = BigInteger::of($qty)->multipliedBy($price)->dividedBy(self::SQUARE, RoundingMode::HALF_UP);

        return $value->isLessThan(PHP_INT_MAX) ? $value->toInt() : PHP_INT_MAX;
    }
}
