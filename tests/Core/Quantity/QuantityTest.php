<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;

it('reads decimals exactly', function (string $text, int $millionths) {
    expect(Quantity::parse($text))->toBe($millionths);
})->with([
    ['0', 0], ['1', 1_000_000], ['0.1', 100_000], ['12.345678', 12_345_678], ['007.50', 7_500_000], ['-3', -3_000_000],
    ['0.1000000000', 100_000], ['9000000000000', Quantity::MAX],
]);

it('refuses what is no quantity and says why', function (string $text, string $why) {
    expect(Support::refusal(fn () => Quantity::parse($text)))->toContain($why);
})->with([
    ['', 'is not a number'], ['1,5', 'is not a number'], ['1e3', 'is not a number'], ['.5', 'is not a number'], [' 1', 'is not a number'],
    ["1\n", 'is not a number'], ['+1', 'is not a number'],
    ['0.1234567', 'more than 6 decimals'], ['9000000000000.000001', 'beyond 9,000,000,000,000'],
    [str_repeat('9', 40), 'beyond 9,000,000,000,000'],
]);

it('writes without trailing zeros and without exponent', function (int $millionths, string $text) {
    expect(Quantity::format($millionths))->toBe($text)->and(Quantity::parse($text))->toBe($millionths);
})->with([[0, '0'], [1, '0.000001'], [-1_500_000, '-1.5'], [20_000_000, '20'], [Quantity::MAX, '9000000000000']]);

it('adds a tenth ten times to one', function () {
    $sum = 0;
    for ($times = 0; $times < 10; $times++) {
        $sum += Quantity::parse('0.1');
    }

    expect($sum)->toBe(Quantity::ONE);
});

it('rounds up to multiples and refuses to leave the range', function () {
    expect(Quantity::roundUp(Quantity::parse('70'), Quantity::parse('50')))->toBe(Quantity::parse('100'))
        ->and(Quantity::roundUp(Quantity::parse('100'), Quantity::parse('50')))->toBe(Quantity::parse('100'))
        ->and(fn () => Quantity::roundUp(Quantity::MAX - 1, Quantity::parse('7000000000000')))->toThrow(QuantityOutOfRange::class);
});

it(
    'works out requirements exactly and rounds them up once',
    function (string $qty, string $base, string $scrap, string $order, int $decimals, string $needed) {
        $factor = Factor::ofLine(Quantity::parse($qty), Quantity::parse($base), Quantity::parse($scrap));

        expect(Quantity::format($factor->requirement(Quantity::parse($order), Quantity::step($decimals))))->toBe($needed);
    },
)->with([
    'whole' => ['3', '1', '0', '30', 0, '90'],
    'scrap' => ['0.25', '1', '4', '30', 3, '7.813'],
    'base' => ['0.3', '4', '5', '11', 2, '0.87'],
    'thirds' => ['1', '3', '0', '2', 6, '0.666667'],
    'exact in the last digit' => ['0.000001', '1', '0', '3', 6, '0.000003'],
    'zero' => ['0', '1', '0', '5', 0, '0'],
    'large, beyond what a machine word multiplies' => ['999.999999', '0.000007', '33.333333', '4000.5', 6, '857249994856.500026'],
]);

it('multiplies factors unrounded', function () {
    $frame = Factor::ofLine(Quantity::parse('1'), Quantity::parse('1'), Quantity::parse('10'));
    $tube = Factor::ofLine(Quantity::parse('2.5'), Quantity::parse('1'), 0);

    expect($frame->times($tube)->requirement(Quantity::parse('10'), Quantity::step(1)))->toBe(Quantity::parse('27.8'));
});

it('refuses a requirement that leaves the range', function () {
    $factor = Factor::ofLine(Quantity::parse('9000000000'), Quantity::parse('0.001'), 0);

    expect(fn () => $factor->requirement(Quantity::parse('5'), 1))->toThrow(QuantityOutOfRange::class);
});

it('writes sums that are counted in larger units', function (int $sum, int $unit, string $text) {
    expect(Quantity::formatSum($sum, $unit))->toBe($text);
})->with([
    [1_500_000, 1, '1.5'], [18_000_000_000_004, 1_000_000, '18000000000004'], [-1_234_567, 1_000, '-1234.567'],
    [-250, 1_000, '-0.25'], [0, 10_000, '0'],
]);
