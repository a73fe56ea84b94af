<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;

/** How long an operation holds its centre, in whole minutes (scheduling rules, section 2). */
final class Minutes
{
    /** Longer than this is nonsense, and would leave the range of what is added up. */
    private const MOST = 1_000_000_000_000;

    private const WHOLE_PERCENT = 100 * Quantity::ONE;

    /**
     * `ceil((setup + run x quantity / base) x 100 / efficiency x 100 / speed)`, exact before it is rounded up.
     *
     * @param  int  $setup  millionths of a minute
     * @param  int  $run  millionths of a minute for the base quantity
     * @param  int  $base  millionths, above 0
     * @param  int  $qty  millionths
     * @param  int  $efficiency  of the centre, millionths of a percent, above 0
     * @param  int  $speed  of an alternative centre, millionths of a percent, above 0
     */
    public static function of(int $setup, int $run, int $base, int $qty, int $efficiency, int $speed = self::WHOLE_PERCENT): int
    {
        $work = Quantity::product($setup, $base) + Quantity::product($run, $qty);
        $divisor = Quantity::product($base, Quantity::ONE);
        if (is_int($work) && is_int($divisor) && $work >= 0) {
            [$work, $divisor] = self::slowed($work, $divisor, $efficiency);
            if (is_int($work) && is_int($divisor)) {
                [$work, $divisor] = self::slowed($work, $divisor, $speed);
                if (is_int($work) && is_int($divisor)) {
                    return min(self::MOST, Quantity::lots($work, $divisor));
                }
            }
        }

        $minutes = BigInteger::of($setup)->multipliedBy($base)->plus(BigInteger::of($run)->multipliedBy($qty))
            ->multipliedBy(self::WHOLE_PERCENT)->multipliedBy(self::WHOLE_PERCENT)
            ->dividedBy(
                BigInteger::of($base)->multipliedBy(Quantity::ONE)->multipliedBy($efficiency)->multipliedBy($speed),
                RoundingMode::UP,
            );

        return $minutes->isLessThan(self::MOST) ? $minutes->toInt() : self::MOST;
    }

    /**
     * A fraction times 100 % / percent, reduced; a float where it leaves the range of integers.
     *
     * @param  int  $percent  millionths of a percent
     * @return array{int|float, int|float}
     */
    private static function slowed(int $work, int $divisor, int $percent): array
    {
        if ($percent === self::WHOLE_PERCENT) {
            return [$work, $divisor];
        }
        $common = max(1, Factor::divisor($work, $divisor));
        $part = Factor::divisor(self::WHOLE_PERCENT, $percent);

        return [
            Quantity::product(intdiv($work, $common), intdiv(self::WHOLE_PERCENT, $part)),
            Quantity::product(intdiv($divisor, $common), intdiv($percent, $part)),
        ];
    }
}
