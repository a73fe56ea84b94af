<?php

declare(strict_types=1);

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;

function workweek(array $days = []): Calendar
{
    $exceptions = [];
    foreach ($days as $date => $works) {
        $exceptions[Day::parse($date)] = $works;
    }

    return Calendar::ofPattern('WORK', '12345', $exceptions);
}

it('knows days back and forth', function (string $iso, int $weekday) {
    $day = Day::parse($iso);

    expect(Day::format($day))->toBe($iso)->and(Day::weekday($day))->toBe($weekday);
})->with([['1970-01-01', 4], ['2026-03-02', 1], ['2024-02-29', 4], ['1969-12-31', 3], ['1900-01-01', 1], ['9999-12-31', 5]]);

it('refuses days that are none', function (string $text) {
    expect(fn () => Day::parse($text))->toThrow(InvalidArgumentException::class);
})->with(['2026-02-31', '2025-02-29', '2026-3-2', '02.03.2026', '', '1899-12-31', "2026-03-02\n"]);

it('steps over days that do not work', function (string $from, int $steps, string $back, string $forward) {
    $calendar = workweek(['2026-04-03' => false, '2026-04-06' => false, '2026-03-28' => true]);

    expect(Day::format($calendar->back(Day::parse($from), $steps)))->toBe($back)
        ->and(Day::format($calendar->forward(Day::parse($from), $steps)))->toBe($forward);
})->with([
    'no step on a working day' => ['2026-03-04', 0, '2026-03-04', '2026-03-04'],
    'no step on a Sunday' => ['2026-03-08', 0, '2026-03-06', '2026-03-09'],
    'over a weekend' => ['2026-03-06', 2, '2026-03-04', '2026-03-10'],
    'over holidays' => ['2026-04-02', 1, '2026-04-01', '2026-04-07'],
    'a Saturday that works' => ['2026-03-29', 1, '2026-03-27', '2026-03-31'],
    'years away' => ['2026-03-02', 1000, '2022-05-02', '2030-01-01'],
]);

it('steps through every day where every day works', function () {
    $calendar = Calendar::everyDay();

    expect($calendar->back(100, 7))->toBe(93)->and($calendar->forward(100, 7))->toBe(107)->and($calendar->steps(100, 104))->toBe(4)
        ->and($calendar->stepsToReach(100, 104))->toBe(4);
});

it('counts working days between two days', function () {
    $calendar = workweek();

    expect($calendar->steps(Day::parse('2026-03-09'), Day::parse('2026-03-12')))->toBe(3)
        ->and($calendar->steps(Day::parse('2026-03-07'), Day::parse('2026-03-10')))->toBe(1)
        ->and($calendar->steps(Day::parse('2026-03-12'), Day::parse('2026-03-09')))->toBe(0);
});

it('finds the fewest steps that reach a day', function (string $from, string $to, int $steps) {
    expect(workweek()->stepsToReach(Day::parse($from), Day::parse($to)))->toBe($steps);
})->with([
    ['2026-03-12', '2026-03-16', 2], ['2026-03-12', '2026-03-14', 2], ['2026-03-07', '2026-03-08', 0],
    ['2026-03-12', '2026-03-12', 0],
]);

it('refuses a calendar that never works, and steps that run out of days', function () {
    $oneDay = new Calendar('ONCE', array_fill(1, 7, false), [Day::parse('2026-03-02') => true]);

    expect(fn () => Calendar::ofPattern('NEVER', ''))->toThrow(InvalidArgumentException::class, 'no working day')
        ->and($oneDay->forward(Day::parse('2026-02-01'), 0))->toBe(Day::parse('2026-03-02'))
        ->and(fn () => $oneDay->forward(Day::parse('2026-03-03'), 0))->toThrow(InvalidArgumentException::class, 'too few working days');
});

it('cuts time into buckets', function (BucketSize $size, string $day, string $start, string $end) {
    expect(Day::format($size->startOf(Day::parse($day))))->toBe($start)->and(Day::format($size->endOf(Day::parse($day))))->toBe($end);
})->with([
    [BucketSize::Day, '2026-03-04', '2026-03-04', '2026-03-04'],
    [BucketSize::Week, '2026-03-04', '2026-03-02', '2026-03-08'],
    [BucketSize::Week, '2026-03-08', '2026-03-02', '2026-03-08'],
    [BucketSize::Month, '2026-02-10', '2026-02-01', '2026-02-28'],
    [BucketSize::Month, '2024-02-29', '2024-02-01', '2024-02-29'],
    [BucketSize::Month, '2026-12-31', '2026-12-01', '2026-12-31'],
]);
