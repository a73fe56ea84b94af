<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use Yposta\Core\Support\Phrase;

/**
 * Exact quantities, held as integers of millionths of the item's unit: 0.25 kg is 250000.
 *
 * All arithmetic on quantities stays in integers; nothing ever passes through binary floating point.
 */
final class Quantity
{
    /** Millionths in one unit. */
    public const ONE = 1_000_000;

    /** The largest quantity, in millionths: 9,000,000,000,000 units. */
    public const MAX = 9_000_000_000_000 * self::ONE;

    /**
     * Reads a decimal number with a dot, no exponent, no thousands mark.
     *
     * @return int millionths; negative numbers are read, whether they make sense is the caller's rule
     *
     * @throws InvalidQuantity when the text is no number, has more than six decimals or leaves the range
     */
    public static function parse(string $text): int
    {
        if (preg_match('/^(-?)(\d+)(?:\.(\d+))?$/D', $text, $part) !== 1) {
            throw self::invalid('not_number', $text);
        }
        $fraction = rtrim($part[3] ?? '', '0');
        if (strlen($fraction) > 6) {
            throw self::invalid('six_decimals', $text);
        }
        $units = ltrim($part[2], '0');
        if (strlen($units) > 13) {
            throw self::invalid('beyond', $text);
        }
        $value = (int) $units * self::ONE + (int) str_pad($fraction, 6, '0');
        if ($value > self::MAX) {
            throw self::invalid('beyond', $text);
        }

        return $part[1] === '-' ? -$value : $value;
    }

    /** The number without trailing zeros and without exponent: 250000 becomes "0.25". */
    public static function format(int $millionths): string
    {
        $whole = intdiv($millionths, self::ONE);
        $rest = $millionths % self::ONE;
        if ($rest === 0) {
            return (string) $whole;
        }

        return ($millionths < 0 && $whole === 0 ? '-0' : $whole).'.'.rtrim(substr((string) (self::ONE + abs($rest)), 1), '0');
    }

    /** Whether the quantity needs no more than so many decimals. */
    public static function fits(int $millionths, int $decimals): bool
    {
        return $millionths % self::step($decimals) === 0;
    }

    /** The smallest quantity of an item with so many decimals, in millionths. */
    public static function step(int $decimals): int
    {
        return 10 ** (6 - $decimals);
    }

    /**
     * The quantity rounded up to a whole number of multiples.
     *
     * @throws QuantityOutOfRange
     */
    public static function roundUp(int $millionths, int $multiple): int
    {
        $over = $millionths % $multiple;

        return $over === 0 ? $millionths : self::checked($millionths + ($multiple - $over));
    }

    /**
     * The unit in which quantities can be summed up without leaving a machine word: millionths as a rule, the smallest step of the item
     * where the sums are too large for that. Balances may go beyond the range of quantities; they are then counted in that unit.
     *
     * @param  int|float  $largest  a bound of the sums, millionths; a float when it has left a machine word
     * @param  int  $step  smallest quantity of the item, millionths
     * @return int millionths
     */
    public static function unitFor(int|float $largest, int $step): int
    {
        return $largest < self::MAX ? 1 : $step;
    }

    /**
     * Quantities of supplies or demands, counted in a unit.
     *
     * @param  list<object{qty: int}>  $elements
     * @param  int  $unit  millionths
     * @return list<int>
     */
    public static function of(array $elements, int $unit = 1): array
    {
        $quantities = array_column($elements, 'qty');

        return $unit === 1 ? $quantities : array_map(fn (int $qty) => intdiv($qty, $unit), $quantities);
    }

    /**
     * A sum that may go beyond the range of quantities, as text.
     *
     * @param  int  $unit  what it is counted in, millionths
     */
    public static function formatSum(int $sum, int $unit): string
    {
        if ($unit === 1) {
            return self::format($sum);
        }
        $units = intdiv(self::ONE, $unit);
        $fraction = rtrim(str_pad((string) (abs($sum % $units) * $unit), 6, '0', STR_PAD_LEFT), '0');

        return ($sum < 0 ? '-' : '').abs(intdiv($sum, $units)).($fraction === '' ? '' : '.'.$fraction);
    }

    /** Whole lots of a size that it takes to reach a quantity. */
    public static function lots(int $millionths, int $size): int
    {
        return intdiv($millionths, $size) + ($millionths % $size === 0 ? 0 : 1);
    }

    /**
     * Guards a result: integer overflow turns into a float in PHP, and beyond the range nothing may go on.
     *
     * @throws QuantityOutOfRange
     */
    public static function checked(int|float $millionths): int
    {
        if (! is_int($millionths) || $millionths > self::MAX || $millionths < -self::MAX) {
            throw new QuantityOutOfRange(new Phrase('range.quantity', ['most' => new Amount(self::MAX)]));
        }

        return $millionths;
    }

    private static function invalid(string $code, string $text): InvalidQuantity
    {
        return new InvalidQuantity(new Phrase(
            "quantity.{$code}",
            ['text' => mb_strlen($text) > 30 ? mb_substr($text, 0, 27).'...' : $text, 'most' => new Amount(self::MAX)],
        ));
    }

    /** A product, which is a float where it leaves the range of integers and has to be made in another way. */
    // @phpstan-ignore return.unusedType (an overflow makes a float)
    public static function product(int $a, int $b): int|float
    {
        return $a * $b;
    }

    /** A sum that stays at the largest number there is where it would go beyond: for totals that are only looked at. */
    public static function capped(int|float $sum): int
    {
        return is_int($sum) ? $sum : PHP_INT_MAX;
    }
}
