<?php

declare(strict_types=1);

namespace App\Support;

use Brick\Math\BigDecimal;
use Brick\Math\BigNumber;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;
use Yposta\Core\Quantity\Quantity;

/** A number that is typed as what it is more or less than what stands there: `+5`, `-5`, `+10 %`, `-10 %`. */
final readonly class RelativeNumber
{
    private function __construct(private bool $isMore, private string $by, public bool $isPercent)
    {
    }

    /** Null where the text is something else. */
    public static function tryOf(string $text): ?self
    {
        return preg_match('/^([+-])\s*(\d{1,12}(?:\.\d{1,6})?)\s*(%?)$/', trim($text), $parts) === 1
            ? new self($parts[1] === '+', $parts[2], $parts[3] === '%')
            : null;
    }

    /**
     * What becomes of a number: to the nearest step, half a step up, and never below zero.
     *
     * @param  bool  $isDecimal  whether it is kept in millionths
     * @param  int  $smallest  step of it
     *
     * @throws Refused when it is beyond what can be kept
     */
    public function of(int $before, bool $isDecimal, int $smallest): int
    {
        try {
            $step = BigDecimal::of($this->by);
            $step = $this->isPercent ? BigDecimal::of($before)->multipliedBy($step)->dividedBy(100, 12, RoundingMode::HALF_UP)
                : $step->multipliedBy($isDecimal ? Quantity::ONE : 1);
            $after = $this->isMore ? BigDecimal::of($before)->plus($step) : BigDecimal::of($before)->minus($step);

            return BigNumber::max(0, $after->dividedBy($smallest, 0, RoundingMode::HALF_UP)->multipliedBy($smallest))->toInt();
        } catch (MathException) {
            throw Refused::because('data.beyond', [], 'value');
        }
    }
}
