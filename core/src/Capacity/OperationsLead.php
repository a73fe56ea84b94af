<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Network\Operation;
use Yposta\Core\Quantity\Quantity;

/**
 * The lead time of a point that is made and has none of its own: working days that its operations take for a quantity, each by the minutes
 * that its centre is open on its longest weekday (scheduling rules, section 3). No more than a lead time that is typed may be.
 */
final class OperationsLead
{
    /** Common multiples above this are counted with in another way. */
    private const LARGE = 1_000_000;

    /** @var array<int, int> days by quantity */
    private array $known = [];

    /** @param  non-empty-list<array{Operation, int, int}>  $operations  each with the efficiency of its centre and the open minutes of a day */
    public function __construct(private readonly array $operations)
    {
    }

    /** @param  int  $qty  millionths */
    public function days(int $qty): int
    {
        return $this->known[$qty] ??= min(Whole::MOST_DAYS, $this->summedUp($qty));
    }

    private function summedUp(int $qty): int
    {
        $days = 0;
        $rests = [];
        $common = 1;
        foreach ($this->operations as [$row, $efficiency, $open]) {
            $minutes = Minutes::of($row->setup, $row->run, $row->baseQty, $qty, $efficiency)
                + intdiv($row->queue, Quantity::ONE) + intdiv($row->move, Quantity::ONE);
            $days += intdiv($minutes, $open);
            $rests[] = [$minutes % $open * Quantity::ONE + $row->queue % Quantity::ONE + $row->move % Quantity::ONE, $open];
            $common = $common > self::LARGE ? $common : intdiv($common, self::divisor($common, $open)) * $open;
        }
        if ($common > self::LARGE) {
            return $days + self::exactly($rests);
        }
        $sum = 0;
        foreach ($rests as [$rest, $open]) {
            $sum += $rest * intdiv($common, $open);
        }

        return $days + Quantity::lots($sum, $common * Quantity::ONE);
    }

    /**
     * The same without a bound of numbers.
     *
     * @param  list<array{int, int}>  $rests  millionths of a minute, and the open minutes of a day
     */
    private static function exactly(array $rests): int
    {
        $all = BigInteger::one();
        foreach ($rests as [, $open]) {
            $all = $all->multipliedBy($open);
        }
        $sum = BigInteger::zero();
        foreach ($rests as [$rest, $open]) {
            $sum = $sum->plus($all->quotient($open)->multipliedBy($rest));
        }

        return $sum->dividedBy($all->multipliedBy(Quantity::ONE), RoundingMode::UP)->toInt();
    }

    private static function divisor(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a;
    }
}
