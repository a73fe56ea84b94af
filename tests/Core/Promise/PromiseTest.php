<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Benchmarks\RandomShop;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Planner;
use Yposta\Core\Promise\AcceptedPromise;
use Yposta\Core\Promise\PromiseAnswer;
use Yposta\Core\Promise\PromiseGround;
use Yposta\Core\Promise\PromiseHit;
use Yposta\Core\Promise\PromisePart;
use Yposta\Core\Promise\Promises;
use Yposta\Core\Promise\ShopGround;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\NoOrigins;
use Yposta\Core\Trial\Trial;

/**
 * When every sales line is served in a whole run with lines for a promise beside it: date and what nothing covers, by reference.
 *
 * @param  list<array{int, int}>  $parts  quantity and date
 * @return array<string, array{int|null, int}>
 */
function servedWith(Contents $contents, string $item, string $site, array $parts): array
{
    $sales = $contents->network->sales;
    foreach ($parts as $number => [$qty, $due]) {
        $sales[] = SalesLine::of(order: 'PROMISE', line: (string) ($number + 1), item: $item, site: $site, qty: $qty, due: $due, priority: 9);
    }
    $plan = (new Planner)->plan($contents->network->with(sales: $sales), $contents->options);
    $served = [];
    foreach (array_merge(...array_values($plan->demands)) as $demand) {
        $demand->kind === DemandKind::Sales && $served[$demand->reference()] = [$demand->expected, $demand->uncovered];
    }

    return $served;
}

/** Whether a promise holds, by the words of its rule. */
function promiseHolds(Contents $contents, string $item, string $site, array $parts): bool
{
    static $bases = new WeakMap;
    $base = $bases[$contents] ??= servedWith($contents, $item, $site, []);
    $with = servedWith($contents, $item, $site, $parts);
    foreach ($parts as $number => [, $due]) {
        [$expected, $uncovered] = $with['sales:PROMISE/'.($number + 1)] ?? [null, 1];
        if ($expected === null || $uncovered > 0 || $expected > $due) {
            return false;
        }
    }
    foreach ($base as $reference => [$expected, $uncovered]) {
        [$then, $missing] = $with[$reference];
        if ($missing > $uncovered || ($expected !== null && $then !== null && $then > $expected)) {
            return false;
        }
    }

    return true;
}

function promised(Contents $contents, string $item, string $site, int $qty, int $wished): PromiseAnswer
{
    $ground = new PromiseGround(new Trial($contents->network, $contents->options), $contents->options);

    return (new Promises($ground, $item, $site, $qty, $wished))->answer();
}

/** @return list<int> working days of a site from a day to the horizon */
function workingDaysFrom(Contents $contents, string $site, int $from): array
{
    $code = $contents->network->sites[$site]->calendar;

    return array_values(array_filter(
        range($from, $contents->options->horizonEnd),
        fn (int $day) => $code === null || $contents->network->calendars[$code]->works($day),
    ));
}

it('answers the case reasoned by hand', function () {
    $folder = dirname(__DIR__, 2).'/cases/shop_promise';
    $contents = Support::bundle(Support::folder($folder));
    $answer = promised($contents, 'A', 'S', 8_000_000, Day::parse('2026-03-03'));
    $wanted = json_decode((string) file_get_contents("{$folder}/expected/promise.json"), true);
    expect(Day::format($answer->earliest))->toBe($wanted['earliest'])->and($answer->onDate)->toBe(4_000_000)
        ->and(array_map(fn (PromisePart $part) => ['qty' => (string) ($part->qty / 1_000_000), 'date' => Day::format($part->date)], $answer->split))
        ->toBe($wanted['split'])->and(get_object_vars($answer->madeOf))->toBe(['stock' => 4_000_000, 'incoming' => 0, 'make' => 0, 'buy' => 4_000_000, 'transfer' => 0])
        ->and($answer->decidedBy->code)->toBe('hold_up.lead_time');
});

it('claims no day that does not hold, misses none before it, and no step more than it says', function (int $seed) {
    $contents = Support::bundle((new RandomBundle($seed, 35))->files());
    $random = new Randomizer(new Mt19937($seed));
    $points = array_keys($contents->network->planning);
    for ($ask = 0; $ask < 3; $ask++) {
        [$item, $site] = explode("\x1f", $points[$random->getInt(0, count($points) - 1)]);
        $step = $contents->network->items[$item]->step();
        $qty = $random->getInt(1, 60) * max($step, 1_000_000);
        $wished = $contents->options->planDate + $random->getInt(-3, 40);
        $from = max($wished, $contents->options->planDate);
        $answer = promised($contents, $item, $site, $qty, $wished);
        $said = "seed {$seed}: {$qty} {$item} at {$site} on ".Day::format($wished);
        $holds = fn (array ...$parts) => promiseHolds($contents, $item, $site, $parts);

        foreach (workingDaysFrom($contents, $site, $from) as $day) {
            $isClaimed = $day === $answer->earliest;
            expect($holds([$qty, $day]))->toBe($isClaimed, "{$said}, for ".Day::format($day));
            if ($isClaimed) {
                break;
            }
            if ($answer->earliest === null && $day > $from + 25) {
                break; // the rest of the horizon in a few of its days
            }
        }
        if ($answer->onDate > 0) {
            expect($holds([$answer->onDate, $from]))->toBeTrue("{$said}, on the day");
        }
        if ($answer->onDate < $qty) {
            expect($holds([$answer->onDate + $step, $from]))->toBeFalse("{$said}, a step more");
        }
        if (count($answer->split) === 2) {
            [$first, $rest] = $answer->split;
            expect($first->qty + $rest->qty)->toBe($qty)->and($first->qty)->toBe($answer->onDate)->and($first->date)->toBe($from);
            foreach (workingDaysFrom($contents, $site, $from) as $day) {
                expect($holds([$first->qty, $from], [$rest->qty, $day]))->toBe($day === $rest->date, "{$said}, the rest for ".Day::format($day));
                if ($day === $rest->date) {
                    break;
                }
            }
        }
        $isFirst = $answer->earliest !== null && $answer->earliest === workingDaysFrom($contents, $site, $from)[0];
        expect($answer->decidedBy === null)->toBe($isFirst);
    }
})->with(range(501, 508));

it('refuses to promise what is none', function (string $item, string $site, int $qty, string $wished, string $code, array $more = []) {
    $contents = Support::small([
        'items' => "item,decimals\nA,0\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\n", ...$more,
    ]);
    $said = null;
    try {
        promised($contents, $item, $site, $qty, Day::parse($wished));
    } catch (DoesNotFit $trouble) {
        $said = $trouble->phrase()->code;
    }
    expect($said)->toBe($code);
})->with([
    'no such item' => ['B', 'MAIN', 1_000_000, '2026-03-09', 'fit.no_item'],
    'no such site' => ['A', 'THERE', 1_000_000, '2026-03-09', 'fit.no_point'],
    'nothing' => ['A', 'MAIN', 0, '2026-03-09', 'fit.asked_for_nothing'],
    'half of one' => ['A', 'MAIN', 500_000, '2026-03-09', 'fit.decimals'],
    'after the horizon' => ['A', 'MAIN', 1_000_000, '2036-03-09', 'fit.after_horizon'],
    'where there is such an order' => ['A', 'MAIN', 1_000_000, '2026-03-09', 'fit.promise_taken', [
        'sales' => "order,line,item,site,qty,due\nPROMISE,1,A,MAIN,1,2026-03-20\n",
    ]],
]);

/** A saw that is taken all Monday, an item that takes it an hour for each, and what is promised with it. */
function sawPromise(int $qty, string $wished, array $more = []): array
{
    $contents = Support::small([
        'items' => "item\nA\nB\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\nB,MAIN,make,1\n",
        'work_centres' => "work_centre,site,units\nSAW,MAIN,1\n", 'shifts' => "work_centre,weekdays,from,to\nSAW,12345,06:00,14:00\n",
        'operations' => "item,op,work_centre,run_min\nA,10,SAW,60\nB,10,SAW,60\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nM1,make,firm,B,MAIN,8,2026-03-02,2026-03-02\n", ...$more,
    ]);
    $trial = new Trial($contents->network, $contents->options);
    $ask = fn (?ShopGround $shop) => (new Promises(
        new PromiseGround($trial, $contents->options, $shop), 'A', 'MAIN', $qty * 1_000_000, Day::parse($wished),
    ))->answer();
    $said = fn (PromiseAnswer $answer) => [
        $answer->earliest === null ? null : Day::format($answer->earliest), $answer->onDate / 1_000_000,
        implode(' ', array_map(fn (PromisePart $part) => $part->qty / 1_000_000 .' '.Day::format($part->date), $answer->split)),
        $answer->decidedBy?->code,
    ];

    return [$said($ask(null)), $said($ask($trial->with([], ShopGround::byDefault(...))))];
}

it('promises with the shop only what there is room for, into the gaps of what stands there', function () {
    // sixteen hours: by the lead time there on Tuesday, by the saw on Tuesday and Wednesday
    expect(sawPromise(16, '2026-03-03'))->toBe([
        ['2026-03-03', 16, '16 2026-03-03', null],
        ['2026-03-04', 8, '8 2026-03-03 8 2026-03-04', 'hold_up.no_capacity'],
    ]);
    // a gap before what stands is used: the order is held until Wednesday
    $held = sawPromise(8, '2026-03-02', ['orders' => "order,kind,status,item,site,qty,start,due,not_before\nM1,make,firm,B,MAIN,8,2026-03-02,2026-03-06,2026-03-04\n"]);
    expect($held[1])->toBe(['2026-03-02', 8, '8 2026-03-02', null]);
    // what is proposed already and grows: only the growth is placed, and what was there stays
    $grown = sawPromise(8, '2026-03-05', [
        'planning' => "item,site,supply,lead_days,group_days\nA,MAIN,make,1,7\nB,MAIN,make,1,1\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,A,MAIN,4,2026-03-05\n",
    ]);
    expect($grown[1][0])->toBe('2026-03-05')->and($grown[1][1])->toBe(8);
    // a saw that never comes back leaves nothing to promise
    $gone = sawPromise(8, '2026-03-03', ['closures' => "work_centre,from,to\nSAW,2026-03-02 14:00,2099-01-01 00:00\n"]);
    expect($gone[1])->toBe([null, 0, '', 'promise.no_room']);
});

it('claims with the shop what holds when it is asked anew, and nothing a day sooner', function (int $seed) {
    $contents = Support::bundle((new RandomShop($seed, 30, 4))->files());
    $random = new Randomizer(new Mt19937($seed));
    $points = array_keys($contents->network->planning);
    [$item, $site] = explode("\x1f", $points[$random->getInt(0, count($points) - 1)]);
    $qty = $random->getInt(1, 40) * 1_000_000;
    $wished = $contents->options->planDate + $random->getInt(0, 20);
    $anew = function () use ($contents, $item, $site, $qty, $wished): Promises {
        $trial = new Trial($contents->network, $contents->options);

        return new Promises(
            new PromiseGround($trial, $contents->options, $trial->with([], ShopGround::byDefault(...))), $item, $site, $qty, $wished,
        );
    };
    $answer = $anew()->answer();
    $before = array_filter(workingDaysFrom($contents, $site, $wished), fn (int $day) => $day < ($answer->earliest ?? $wished + 20));
    foreach ($before as $day) {
        expect($anew()->holds([new PromisePart($qty, $day)]))->toBeFalse("seed {$seed}, ".Day::format($day));
    }
    $answer->earliest === null || expect($anew()->holds([new PromisePart($qty, $answer->earliest)]))->toBeTrue("seed {$seed}");
    count($answer->split) === 2 && expect($anew()->holds($answer->split))->toBeTrue("seed {$seed}, in two parts");
    expect($answer->onDate)->toBeBetween(0, $qty);
})->with(range(601, 606));

it('keeps what is accepted: made orders are firm, what serves it is held, and it tells who is served later', function (int $seed) {
    $contents = Support::bundle((new RandomBundle($seed, 35))->files());
    $random = new Randomizer(new Mt19937($seed));
    $points = array_keys($contents->network->planning);
    $accepted = 0;
    for ($ask = 0; $ask < 4; $ask++) {
        [$item, $site] = explode("\x1f", $points[$random->getInt(0, count($points) - 1)]);
        $qty = $random->getInt(1, 40) * 1_000_000;
        $ground = new PromiseGround(new Trial($contents->network, $contents->options), $contents->options);
        $answer = (new Promises($ground, $item, $site, $qty, $contents->options->planDate + $random->getInt(0, 30)))->answer();
        if ($answer->split === []) {
            continue;
        }
        $lines = array_map(fn (PromisePart $part, int $place) => SalesLine::of(
            order: 'NEW', line: (string) ($place + 1), item: $item, site: $site, qty: $part->qty, due: $part->date, priority: 9,
        ), $answer->split, array_keys($answer->split));
        [$lines, $changes, $hits] = (new AcceptedPromise($ground, new NoOrigins))->of($lines);
        $after = (new Changes([...PromiseGround::put($lines), ...$changes]))->apply($contents->network);
        $byReference = function ($network) use ($contents): array {
            $found = [];
            foreach (array_merge(...array_values((new Planner)->plan($network, $contents->options)->demands)) as $demand) {
                $demand->kind === DemandKind::Sales && $found[$demand->reference()] = $demand;
            }

            return $found;
        };
        [$before, $then] = [$byReference($contents->network), $byReference($after)];
        foreach ($lines as $line) {
            $demand = $then[(string) $line->reference()];
            expect($demand->uncovered)->toBe(0, "seed {$seed}")->and($demand->expected)->toBeLessThanOrEqual($line->due, "seed {$seed}, {$item}");
        }
        $later = array_filter($before, fn ($demand, $reference) => $then[$reference]->uncovered > $demand->uncovered
            || ($demand->expected !== null && $then[$reference]->expected > $demand->expected), ARRAY_FILTER_USE_BOTH);
        $told = array_map(fn (PromiseHit $hit) => (string) $hit->line->reference(), $hits);
        expect($told)->toEqualCanonicalizing(array_keys($later), "seed {$seed}");
        $accepted++;
    }
    expect($accepted)->toBeGreaterThan(0);
})->with(range(701, 708));

it('counts what is held up to its last day, and uses no forecast up behind it', function (string $until, int $demands, int $left) {
    $contents = Support::small([
        'items' => "item\nA\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\n",
        'sales' => "order,line,item,site,qty,due,held_until\nE1,1,A,MAIN,4,2026-03-11,{$until}\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nBASE,A,MAIN,week,2026-03-09,10\n",
    ]);
    $plan = (new Planner)->plan($contents->network, $contents->options->with(forecasts: ['BASE']));
    $kinds = array_map(fn ($demand) => [$demand->kind->value, $demand->qty / 1_000_000], array_merge(...array_values($plan->demands)));
    expect(count(array_filter($kinds, fn (array $one) => $one[0] === 'sales')))->toBe($demands)
        ->and((int) array_sum(array_column(array_filter($kinds, fn (array $one) => $one[0] === 'forecast'), 1)))->toBe($left);
})->with(['its last day' => ['2026-03-02', 1, 6], 'the day after it' => ['2026-03-01', 0, 10], 'not held' => ['', 1, 6]]);
