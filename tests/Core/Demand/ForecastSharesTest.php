<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Demand\ForecastError;
use Yposta\Core\Demand\ForecastShares;
use Yposta\Core\Network\BucketSize;

/** @return array<string, int> by day, in ones */
function shares(string $pattern, BucketSize $kept, BucketSize $shown, string $start, int $qty, int $step = 1_000_000): array
{
    $shares = [];
    foreach ((new ForecastShares(Calendar::ofPattern('C', $pattern), $shown))->of($kept, Day::parse($start), $qty, $step) as $day => $share) {
        $shares[Day::format($day)] = $share;
    }

    return $shares;
}

it('shows a month in weeks and weeks in months by their working days', function () {
    // March 2026 has 22 working days: 5, 5, 5, 5 and 2 of them in its weeks
    expect(shares('12345', BucketSize::Month, BucketSize::Week, '2026-03-01', 44_000_000))
        ->toBe(['2026-03-02' => 10_000_000, '2026-03-09' => 10_000_000, '2026-03-16' => 10_000_000, '2026-03-23' => 10_000_000, '2026-03-30' => 4_000_000])
        ->and(shares('12345', BucketSize::Week, BucketSize::Month, '2026-03-30', 10_000_000))->toBe(['2026-03-01' => 4_000_000, '2026-04-01' => 6_000_000])
        // what does not go into equal parts goes to the first days, as where a forecast is spread
        ->and(shares('12345', BucketSize::Week, BucketSize::Day, '2026-03-02', 7_000_000))
        ->toBe(['2026-03-02' => 2_000_000, '2026-03-03' => 2_000_000, '2026-03-04' => 1_000_000, '2026-03-05' => 1_000_000, '2026-03-06' => 1_000_000])
        ->and(shares('1234567', BucketSize::Day, BucketSize::Week, '2026-03-08', 3_500_000, 500_000))->toBe(['2026-03-02' => 3_500_000]);
});

it('adds up to the bucket, whatever it is and wherever days are free', function () {
    $random = new Randomizer(new Mt19937(11));
    foreach (range(1, 400) as $ignored) {
        $any = fn () => BucketSize::cases()[$random->getInt(0, 2)];
        $pattern = implode('', array_filter(range(1, 6), fn () => $random->getInt(0, 1) === 1)).'7';
        [$kept, $shown] = [$any(), $any()];
        $start = $kept->startOf(Day::parse('2026-01-01') + $random->getInt(0, 700));
        $qty = $random->getInt(0, 4) === 0 ? 9_000_000_000_000_000_000 : $random->getInt(0, 900) * 250_000;
        $step = [250_000, 1_000_000][$random->getInt(0, 1)];
        $shares = (new ForecastShares(Calendar::ofPattern('C', $pattern), $shown))->of($kept, $start, $qty, $step);

        expect(array_sum($shares))->toBe($qty);
        foreach (array_keys($shares) as $day) {
            expect($shown->startOf($day))->toBe($day)->and($shown->endOf($day))->toBeGreaterThanOrEqual($start)
                ->and($day)->toBeLessThanOrEqual($kept->endOf($start));
        }
    }
});

it('says how far a forecast was from what was ordered', function (array $pairs, ?int $mape, ?int $bias) {
    $error = ForecastError::of($pairs);

    expect([$error->mape, $error->bias, $error->periods])->toBe([$mape, $bias, count($pairs)]);
})->with([
    'too high and too low by the same' => [[[120, 100], [80, 100]], 200, 0],
    'always too high' => [[[150, 100], [30, 20]], 500, 500],
    'a period without an order has no part in the percentage, but in the bias' => [[[10, 0], [10, 10]], 0, 1000],
    'too low' => [[[0, 8]], 1000, -1000],
    'nothing was ordered' => [[[10, 0]], null, null],
    'no period has passed' => [[], null, null],
]);
