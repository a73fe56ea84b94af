<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Yposta\Core\Support\Phrase;

/**
 * An exact, reduced fraction by which an order's quantity becomes a component's requirement.
 *
 * Factors multiply unrounded on the way through phantoms; only the requirement itself is rounded, up, once.
 */
final readonly class Factor
{
    private const WHOLE_PERCENT = 100 * Quantity::ONE;

    private function __construct(
        private int|BigInteger $numerator,
        private int|BigInteger $denominator,
    ) {
    }

    /**
     * What a structure line needs for one unit: `qty / base_qty`, divided by `1 - scrap_pct / 100`.
     *
     * @param  int  $quantity  millionths
     * @param  int  $base  millionths, above zero
     * @param  int  $scrap  millionths of a percent, from 0 to below 100 %
     */
    public static function ofLine(int $quantity, int $base, int $scrap): self
    {
        $factor = self::reduced($quantity, $base);

        return $scrap === 0 ? $factor : $factor->times(self::reduced(self::WHOLE_PERCENT, self::WHOLE_PERCENT - $scrap));
    }

    /**
     * `quantity x numerator / denominator`, rounded up to the item's smallest step.
     *
     * @param  int  $quantity  millionths
     * @param  int  $numerator  not negative
     * @param  int  $denominator  above zero
     * @param  int  $step  millionths, see {@see Quantity::step()}
     * @return int millionths
     *
     * @throws QuantityOutOfRange
     */
    public static function share(int $quantity, int $numerator, int $denominator, int $step): int
    {
        return self::reduced($numerator, $denominator)->requirement($quantity, $step);
    }

    public function times(self $other): self
    {
        $first = self::reduced($this->numerator, $other->denominator);
        $second = self::reduced($other->numerator, $this->denominator);

        return new self(
            self::product($first->numerator, $second->numerator),
            self::product($first->denominator, $second->denominator),
        );
    }

    /**
     * The requirement for a quantity, rounded up to the component's smallest step.
     *
     * @param  int  $quantity  millionths
     * @param  int  $step  millionths, see {@see Quantity::step()}
     * @return int millionths
     *
     * @throws QuantityOutOfRange
     */
    public function requirement(int $quantity, int $step): int
    {
        if (is_int($this->numerator) && is_int($this->denominator)) {
            $product = $quantity * $this->numerator;
            $divisor = $this->denominator * $step;
            // @phpstan-ignore-next-line an overflow makes floats here, which must take the exact way below
            if (is_int($product) && is_int($divisor)) {
                return Quantity::checked(Quantity::lots($product, $divisor) * $step);
            }
        }
        $exact = BigInteger::of($this->numerator)->multipliedBy($quantity)
            ->dividedBy(BigInteger::of($this->denominator)->multipliedBy($step), RoundingMode::UP)
            ->multipliedBy($step);
        if ($exact->isGreaterThan(Quantity::MAX)) {
            throw new QuantityOutOfRange(new Phrase('range.requirement', ['most' => new Amount(Quantity::MAX)]));
        }

        return $exact->toInt();
    }

    private static function reduced(int|BigInteger $numerator, int|BigInteger $denominator): self
    {
        if (is_int($numerator) && is_int($denominator)) {
            $divisor = self::divisor($numerator, $denominator);

            return new self(intdiv($numerator, $divisor), intdiv($denominator, $divisor));
        }
        $divisor = BigInteger::of($numerator)->gcd($denominator);

        return new self(
            self::compact(BigInteger::of($numerator)->quotient($divisor)),
            self::compact(BigInteger::of($denominator)->quotient($divisor)),
        );
    }

    /** The greatest common divisor of two numbers that are not negative and not both 0. */
    public static function divisor(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a;
    }

    private static function product(int|BigInteger $a, int|BigInteger $b): int|BigInteger
    {
        if (is_int($a) && is_int($b)) {
            $product = $a * $b;
            // @phpstan-ignore function.alreadyNarrowedType (an overflow makes a float, which must take the exact way below)
            if (is_int($product)) {
                return $product;
            }
        }

        return self::compact(BigInteger::of($a)->multipliedBy($b));
    }

    private static function compact(BigInteger $value): int|BigInteger
    {
        return $value->isLessThanOrEqualTo(PHP_INT_MAX) ? $value->toInt() : $value;
    }
}
