<?php

declare(strict_types=1);

use Benchmarks\RandomShop;
use Tests\Support;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\SupplyIdentity;
use Yposta\Core\Remedy\ShopWays;
use Yposta\Core\Remedy\TriedRemedy;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Trial\ShopStand;
use Yposta\Core\Trial\Trial;

/** A kiln of one place, open from 6 to 14: MA fires on Monday, MB on Tuesday, as a schedule was kept; the customer wants B on Monday. */
function kiln(array $files = [], bool $schedule = false): Trial
{
    $contents = Support::small([
        'items' => "item\nA\nB\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,0\nB,MAIN,make,0\n",
        'work_centres' => "work_centre,site,units\nKILN,MAIN,1\nBENCH,MAIN,1\n",
        'shifts' => "work_centre,weekdays,from,to\nKILN,12345,06:00,14:00\nBENCH,12345,06:00,14:00\n",
        'operations' => "item,op,work_centre,run_min\nA,10,KILN,60\nB,10,KILN,60\nB,20,BENCH,6\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,A,MAIN,8,2026-03-06,2\nS2,1,B,MAIN,8,2026-03-02,2\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,8,2026-03-02,2026-03-06\n"
            ."MB,make,firm,B,MAIN,8,2026-03-02,2026-03-02\n",
        'order_operations' => "order,op,work_centre,run_min,start,end,units\nMA,10,KILN,60,2026-03-02 06:00,2026-03-02 14:00,1\n"
            ."MB,10,KILN,60,2026-03-03 06:00,2026-03-03 14:00,1\nMB,20,BENCH,6,2026-03-04 06:00,2026-03-04 06:48,1\n",
        ...$files,
    ]);

    return new Trial($contents->network, $contents->options->with(schedule: $schedule));
}

/** @return list<array{string, string, bool, int}> kind, changes, whether it is there in time then, and late days of customers more */
function ways(Trial $trial, string $of = 'order:MB'): array
{
    return array_map(fn (TriedRemedy $tried) => [
        $tried->remedy->kind()->value,
        implode('; ', array_map(
            fn (Change $change) => implode(' ', array_filter(ChangeCodec::encode($change), is_scalar(...))), $tried->remedy->changes,
        )),
        $tried->solves, $tried->effect->change('lateDays'),
    ], array_values(array_filter([...(new ShopWays($trial))->for($of)])));
}

it('does an operation before the one that has its unit, and lets those after it follow', function (bool $schedule) {
    $ways = ways(kiln(schedule: $schedule));
    expect($ways)->toContain(['do_before', 'take_off_board MB; move_operation MB 10 KILN 1 2026-03-02 06:00 1', false, -1]);
    // what is told holds when it is done
    $trial = kiln(schedule: $schedule);
    foreach (array_filter([...(new ShopWays(kiln(schedule: $schedule)))->for('order:MB')]) as $tried) {
        $after = new Trial((new Changes($tried->remedy->changes))->apply($trial->network()), planOptions($trial));
        [$available, $places] = (new ShopStand($after))->with([], function (Plan $plan, Schedule $schedule): array {
            $supply = SupplyIdentity::find($plan, 'order:MB');

            return [$supply->available, array_map(fn ($place) => Minute::format($place->start), $plan->inShop($supply))];
        });
        expect($tried->expected)->toBe($available)
            ->and($tried->remedy->kind()->value !== 'do_before' || $places === ['2026-03-02 06:00', '2026-03-03 06:00'])->toBeTrue();
    }
})->with([false, true]);

function planOptions(Trial $trial): Yposta\Core\Options\Options
{
    return $trial->with([], fn (Plan $plan) => $plan->options);
}

it('makes first what is waited for first, or half, and opens what is full longer', function () {
    $ways = ways(kiln([
        'sales' => "order,line,item,site,qty,due,priority\nS2,1,B,MAIN,2,2026-03-02,2\nS3,1,B,MAIN,6,2026-03-03,2\n",
    ]));
    $stays = 'new:1; take_off_board MB; move_operation MB 10 KILN 1 2026-03-03 06:00 ';
    expect(array_column($ways, 1))->toContain("split_order MB 2 2026-03-02 {$stays}", "split_order MB 4 2026-03-02 {$stays}")
        ->and(array_column($ways, 0))->toContain('open_longer');
});

it('puts nothing before what a person has fixed or what has begun, nor before its own material', function () {
    $rows = "order,op,work_centre,run_min,done_qty,start,end,units,fixed\n%s\n"
        ."MB,10,KILN,60,0,2026-03-03 06:00,2026-03-03 14:00,1,0\nMB,20,BENCH,6,0,2026-03-04 06:00,2026-03-04 06:48,1,0\n";
    foreach (['MA,10,KILN,60,0,2026-03-02 06:00,2026-03-02 14:00,1,1', 'MA,10,KILN,60,1,2026-03-02 06:00,2026-03-02 14:00,1,0'] as $taker) {
        expect(array_column(ways(kiln(['order_operations' => sprintf($rows, $taker)])), 0))->not->toContain('do_before');
    }
    $clay = [
        'items' => "item\nA\nB\nCLAY\n", 'bom' => "item,line,component,qty\nB,10,CLAY,1\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,8,2026-03-02,2026-03-06\n"
            ."MB,make,firm,B,MAIN,8,2026-03-02,2026-03-02\nPC,buy,released,CLAY,MAIN,8,2026-03-01,2026-03-03\n",
    ];
    expect(array_column(ways(kiln($clay)), 0))->not->toContain('do_before');
});

it('gives up places that hold an order back, and follows the orders whose material it waits for', function () {
    $late = ['order_operations' => "order,op,work_centre,run_min,start,end,units\nMB,10,KILN,60,2026-03-05 06:00,2026-03-05 14:00,1\n"];
    expect(array_column(ways(kiln($late)), 1, 0)['let_go'])->toBe('take_off_board MB');
    // B waits for A, which stands behind Z in the kiln
    $chain = [
        'items' => "item\nA\nB\nZ\n", 'bom' => "item,line,component,qty\nB,10,A,1\n",
        'planning' => "item,site,supply,lead_days\nA,MAIN,make,0\nB,MAIN,make,0\nZ,MAIN,make,0\n",
        'operations' => "item,op,work_centre,run_min\nA,10,KILN,60\nZ,10,KILN,60\nB,20,BENCH,6\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,Z,MAIN,8,2026-03-06,2\nS2,1,B,MAIN,8,2026-03-02,2\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,8,2026-03-02,2026-03-02\n"
            ."MB,make,firm,B,MAIN,8,2026-03-02,2026-03-02\nMZ,make,firm,Z,MAIN,8,2026-03-02,2026-03-06\n",
        'order_operations' => "order,op,work_centre,run_min,start,end,units\nMZ,10,KILN,60,2026-03-02 06:00,2026-03-02 14:00,1\n"
            ."MA,10,KILN,60,2026-03-03 06:00,2026-03-03 14:00,1\n",
    ];
    $ways = ways(kiln($chain));
    expect(array_column($ways, 1, 0)['do_before'] ?? null)->toBe('take_off_board MA; move_operation MA 10 KILN 1 2026-03-02 06:00 1');
});

it('makes an order of a proposal that goes before another', function () {
    $ways = ways(kiln([
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,8,2026-03-02,2026-03-06\n",
        'order_operations' => "order,op,work_centre,run_min,start,end,units\nMA,10,KILN,60,2026-03-02 06:00,2026-03-02 14:00,1\n",
    ]), "proposal\tB\tMAIN\t20514\t0");
    expect(array_column($ways, 1, 0)['do_before'] ?? null)->toBe('put_order new:1 make firm B MAIN 8 0 2026-03-02 2026-03-02  2 ; move_operation new:1 10 KILN 1 2026-03-02 06:00 1')
        ->and(ways(kiln(), 'order:NONE'))->toBe([]);
});

it('tells nothing that does not bring anything sooner', function () {
    $trial = kiln();
    foreach (['order:MA', 'order:MB'] as $of) {
        $before = (new ShopStand($trial))->with([], fn (Plan $plan) => SupplyIdentity::find($plan, $of)->available);
        foreach (array_filter([...(new ShopWays($trial))->for($of)]) as $tried) {
            expect($tried->effect->change('lateDays') < 0 || $tried->expected <= $before)->toBeTrue();
        }
    }
    // and the trial stands where it stood
    expect($trial->with([], fn (Plan $plan) => SupplyIdentity::find($plan, 'order:MB')->available))->toBe(kiln()->with(
        [], fn (Plan $plan) => SupplyIdentity::find($plan, 'order:MB')->available,
    ));
});

it('tells of each way what a whole run with it would, can be sent and taken back, and says it in words', function (int $seed) {
    $files = (new RandomShop($seed, 30, 3))->files();
    $files['plan.csv'] .= $seed % 2 === 0 ? "schedule,on\nschedule_days,15\n" : '';
    $contents = Support::bundle($files);
    $trial = new Trial($contents->network, $contents->options);
    [$identities, $before] = (new ShopStand($trial))->with([], function (Plan $plan, Schedule $schedule): array {
        $found = [];
        foreach ($schedule->standing() as $supply => $_) {
            $found[] = SupplyIdentity::of($plan, $supply);
        }

        return [$found, daysLateOf($plan)];
    });
    $tried = 0;
    foreach (array_slice($identities, 0, 14) as $identity) {
        foreach (array_filter([...(new ShopWays($trial))->for($identity)]) as $one) {
            $sent = array_map(ChangeCodec::encode(...), $one->remedy->changes);
            $changes = new Changes(array_map(ChangeCodec::decode(...), $sent));
            $with = $changes->apply($contents->network);
            $anew = new Trial($with, $contents->options);
            expect($one->effect->figures['lateDays'])->toBe([$before, (new ShopStand($anew))->with([], daysLateOf(...))])
                ->and((new Changes($changes->inverse($contents->network)))->apply($with)->orderOperations)
                ->toEqualCanonicalizing($contents->network->orderOperations)
                ->and(Support::english()->on($contents->options->planDate)->say($one->remedy->title()))->not->toMatch('/:[a-z]/')
                ->and(Support::english()->on($contents->options->planDate)->say($one->remedy->note()))->not->toMatch('/:[a-z]/');
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(3);
})->with([401, 402, 403, 404]);

/** Days by which sales lines are late, counted one by one. */
function daysLateOf(Plan $plan): int
{
    $days = 0;
    foreach (array_merge(...$plan->demands) as $demand) {
        $isLate = $demand->kind === DemandKind::Sales && $demand->expected !== null;
        $days += $isLate ? max(0, $demand->expected - (int) $demand->date) : 0;
    }

    return $days;
}
