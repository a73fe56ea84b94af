<?php

declare(strict_types=1);

use Benchmarks\ClassicShop;
use Benchmarks\RandomShop;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Reference\ScheduleChecker;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Scheduling\Improvement;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleDirection;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\Scheduler;
use Yposta\Core\Scheduling\ScheduleRule;

/** @return array{list<array<string, string>>, ScheduleChecker, Schedule} the rows, what the checker says, and the schedule */
function scheduled(array $files, ScheduleOptions $options, int $steps = 0): array
{
    $rows = array_map(fn (string $text) => Support::parse(preg_replace('/^\n/m', '', $text)), $files);
    $before = Support::plan(Support::bundle($files));
    $written = ['proposals.csv' => Support::rows($before, 'proposals.csv'), 'pegs.csv' => Support::rows($before, 'pegs.csv')];
    $plan = Support::plan(Support::bundle($files));
    $scheduler = new Scheduler($plan, new Shop($plan->network, $plan->options->calendars), $options);
    $schedule = $scheduler->schedule();
    if ($options->steps > 0) {
        [$schedule] = (new Improvement($scheduler, $options))->of($schedule, fn () => true);
    }
    $schedule->apply();
    $after = [];
    foreach (array_merge(...array_values($plan->supplies)) as $supply) {
        $after[$supply->reference()] = ['available' => Day::format($supply->available), 'made' => $supply->type === OrderKind::Make];
    }
    $found = array_map(fn (array $row) => array_combine(Schedule::COLUMNS, $row), iterator_to_array($schedule->rows(), false));
    $checker = new ScheduleChecker($rows, $written, $after, $found, [
        'now' => $options->now, 'frozenDays' => $options->frozenDays, 'proposalsDays' => $options->proposalsDays,
    ], $schedule->frozenMoved());

    return [$found, $checker, $schedule];
}

function shopOptions(array $more = []): ScheduleOptions
{
    return new ScheduleOptions(...['now' => Day::parse('2026-03-02') * 1440, 'proposalsDays' => 20, ...$more]);
}

it('schedules the shop reasoned by hand', function () {
    $folder = dirname(__DIR__, 2).'/cases/shop_schedule';
    $plan = Support::plan(Support::bundle(Support::folder($folder)));
    $schedule = (new Scheduler($plan, new Shop($plan->network), shopOptions(['proposalsDays' => 0])))->schedule();
    $rows = array_map(fn (array $row) => array_combine(Schedule::COLUMNS, $row), iterator_to_array($schedule->rows(), false));
    expect($rows)->toEqualCanonicalizing(Support::parse((string) file_get_contents("{$folder}/expected/schedule.csv")));
    $figures = array_column(iterator_to_array($schedule->figureRows(), false), 1, 0);
    foreach (Support::parse((string) file_get_contents("{$folder}/expected/figures.csv")) as $row) {
        expect($figures[$row['key']])->toBe($row['value'], $row['key']);
    }
});

it('keeps every rule on random shops, by every rule of who goes first, forward and backward', function (int $seed) {
    $files = (new RandomShop($seed, 30, 4))->files();
    $seed % 4 === 0 && $files['plan.csv'] .= "calendars,off\n";
    foreach (ScheduleRule::cases() as $place => $rule) {
        $direction = ($seed + $place) % 2 === 0 ? ScheduleDirection::Forward : ScheduleDirection::Backward;
        [$rows, $checker, $schedule] = scheduled($files, shopOptions(['rule' => $rule, 'direction' => $direction]));
        expect($checker->faults)->toBe([], "seed {$seed} {$rule->value} {$direction->value}")->and(count($rows))->toBeGreaterThan(10)
            ->and($schedule->givenUp())->toBe([]);
        $figures = array_column(iterator_to_array($schedule->figureRows(), false), 1, 0);
        foreach ($checker->figures as $name => $value) {
            expect((float) $figures[$name])->toEqualWithDelta(is_int($value) ? $value : $value->toFloat(), 0.000001, $name);
        }
    }
})->with(range(1, 8));

/** The bundle with what orders have rows of standing where a schedule had it; every third is fixed. */
function standing(array $files, array $schedule): array
{
    $lines = explode("\n", trim($files['order_operations.csv']));
    $at = [];
    foreach ($schedule as $row) {
        $at["{$row['order']} {$row['op']}"] = $row;
    }
    foreach ($lines as $number => $line) {
        $fields = explode(',', $line);
        $row = $at["order:{$fields[0]} {$fields[1]}"] ?? null;
        $lines[$number] = match (true) {
            $number === 0 => "{$line},start,end,units,fixed",
            $row === null => "{$line},,,,",
            default => implode(',', [
                $fields[0], $fields[1], $row['work_centre'], ...array_slice($fields, 3), $row['start'], $row['end'], $row['units'], $number % 3 === 0 ? 1 : 0,
            ]),
        };
    }

    return [...$files, 'order_operations.csv' => implode("\n", $lines)."\n"];
}

it('keeps what is frozen or fixed where it can, and tells what cannot stay', function (int $seed) {
    $files = (new RandomShop($seed, 30, 4))->files();
    [$rows] = scheduled($files, shopOptions());
    $stood = standing($files, $rows);
    $frozen = shopOptions(['frozenDays' => 5, 'rule' => ScheduleRule::Priority]);
    [, $checker, $schedule] = scheduled($stood, $frozen);
    expect($checker->faults)->toBe([], "seed {$seed}");
    $told = count($schedule->frozenMoved());

    $whole = array_values(array_filter($rows, fn (array $row) => strtotime($row['end']) - strtotime($row['start']) === 60 * $row['minutes']
        && $row['minutes'] > 20 && $row['start'] < '2026-03-07' && str_starts_with($row['order'], 'order:')
        && str_contains($stood['order_operations.csv'], substr($row['order'], 6).",{$row['op']},")));
    foreach (array_slice($whole, 0, 2) as $row) { // a minute off in the middle: it cannot keep start and end both
        $middle = strtotime("{$row['start']} UTC") + 600;
        $off = $stood;
        $off['closures.csv'] .= "{$row['work_centre']},,".gmdate('Y-m-d H:i', $middle).','.gmdate('Y-m-d H:i', $middle + 60).",,off\n";
        [, $checker, $schedule] = scheduled($off, $frozen);
        expect($checker->faults)->toBe([], "seed {$seed}, a minute off")->and($schedule->frozenMoved())->toContain("{$row['order']} {$row['op']}");
    }

    $down = $stood;
    $down['closures.csv'] .= "W1,,2026-03-03 00:00,2026-03-05 00:00,,broken\nW2,1,2026-03-02 00:00,2026-03-04 12:00,,broken\n";
    [, $checker, $schedule] = scheduled($down, $frozen);
    expect($checker->faults)->toBe([], "seed {$seed}, broken")->and($schedule->figures()['frozen_moved'])->toBe(count($schedule->frozenMoved()))
        ->and(count($schedule->frozenMoved()))->toBeGreaterThanOrEqual($told);
})->with(range(21, 27));

it('is never worse for being improved, and the same again from the same seed', function (int $seed) {
    $files = (new RandomShop($seed, 30, 4))->files();
    foreach ([ScheduleDirection::Forward, ScheduleDirection::Backward] as $direction) {
        [$stood, , $plain] = scheduled($files, shopOptions(['direction' => $direction]));
        $old = $seed % 2 === 0 ? standing($files, $stood) : $files;
        foreach (ScheduleAim::cases() as $aim) {
            $options = ['direction' => $direction, 'steps' => 60, 'seed' => $seed, 'aim' => $aim, 'frozenDays' => $seed % 2 === 0 ? 4 : 0];
            [, , $plain] = scheduled($old, shopOptions([...$options, 'steps' => 0]));
            [$rows, $checker, $better] = scheduled($old, shopOptions($options));
            [$again] = scheduled($old, shopOptions($options));
            expect($checker->faults)->toBe([], "seed {$seed} {$direction->value} {$aim->value}")->and($again)->toBe($rows)
                ->and($better->score($aim) <=> $plain->score($aim))->toBeLessThanOrEqual(0);
        }
    }
})->with([41, 42, 43, 216]);

it('finds the best for six jobs on six machines', function () {
    $options = ['aim' => ScheduleAim::Makespan, 'steps' => 2_000];
    [, $checker, $schedule] = scheduled((new ClassicShop(ClassicShop::SIX))->files(), shopOptions($options));
    expect($checker->faults)->toBe([])->and($schedule->figures()['makespan_min'])->toBe(55);
});

it('comes near the best for ten jobs on ten machines', function () {
    $options = ['aim' => ScheduleAim::Makespan, 'steps' => 1_500];
    [, $checker, $schedule] = scheduled((new ClassicShop(ClassicShop::TEN))->files(), shopOptions($options));
    expect($checker->faults)->toBe([])->and($schedule->figures()['makespan_min'])->toBeBetween(930, 1_010);
});

/** A shop in which more is to be done at first than can be: the due dates, priorities and operations of a seed. */
function busyShop(int $seed): array
{
    $random = new Randomizer(new Mt19937($seed));
    $files = [
        'items' => "item\n", 'planning' => "item,site,supply,lead_days\n", 'work_centres' => "work_centre,site,units\nW1,MAIN,1\nW2,MAIN,2\nW3,MAIN,1\n",
        'shifts' => "work_centre,weekdays,from,to\nW1,12345,06:00,22:00\nW2,12345,06:00,14:00\nW3,12345,06:00,22:00\n",
        'operations' => "item,op,work_centre,setup_min,run_min\n", 'orders' => "order,kind,status,item,site,qty,due,priority\n",
    ];
    foreach (range(1, 30) as $number) {
        $files['items'] .= "A{$number}\n";
        $files['planning'] .= "A{$number},MAIN,make,1\n";
        foreach ([10, 20, 30] as $op) {
            $files['operations'] .= "A{$number},{$op},W{$random->getInt(1, 3)},{$random->getInt(0, 30)},{$random->getInt(20, 240)}\n";
        }
        $due = Day::format(Day::parse('2026-03-02') + $random->getInt(0, 6));
        $files['orders'] .= "M{$number},make,firm,A{$number},MAIN,1,{$due},{$random->getInt(1, 9)}\n";
    }

    return Support::smallFiles($files);
}

it('takes at least a quarter off the days late where machines are what is short', function (int $seed) {
    [, , $plain] = scheduled(busyShop($seed), shopOptions());
    [, $checker, $better] = scheduled(busyShop($seed), shopOptions(['steps' => 150]));
    expect($checker->faults)->toBe([])->and($plain->figures()['weighted_late'])->toBeGreaterThan(0)
        ->and($better->figures()['weighted_late'])->toBeLessThanOrEqual(0.75 * $plain->figures()['weighted_late']);
})->with(range(1, 8));

it('says which order has no room and why, and places the rest', function () {
    $plan = Support::plan(Support::small([
        'items' => "item\nA\nB\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\nB,MAIN,make,1\n",
        'work_centres' => "work_centre,site,units\nW1,MAIN,1\nW2,MAIN,1\n", 'operations' => "item,op,work_centre,run_min\nA,10,W1,5\nB,10,W2,5\n",
        'closures' => "work_centre,from,to\nW1,2026-03-01 00:00,2040-01-01 00:00\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,1,2026-03-06\nM2,make,firm,B,MAIN,1,2026-03-06\n",
    ]));
    $schedule = (new Scheduler($plan, new Shop($plan->network), shopOptions()))->schedule();
    expect($schedule->givenUp())->toBe(['order:M1' => 'W1'])->and(array_column(iterator_to_array($schedule->rows(), false), 0))->toBe(['order:M2']);
});

it('tells the customer line that waits for a machine that it is the machine', function () {
    $plan = Support::plan(Support::small([
        'items' => "item\nA\nB\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\nB,MAIN,make,1\n",
        'work_centres' => "work_centre,site,units\nSAW,MAIN,1\n", 'operations' => "item,op,work_centre,run_min\nA,10,SAW,2000\nB,10,SAW,2000\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,A,MAIN,1,2026-03-03\nS2,1,B,MAIN,1,2026-03-03\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nM1,make,firm,A,MAIN,1,2026-03-02,2026-03-03\nM2,make,firm,B,MAIN,1,2026-03-02,2026-03-03\n",
    ]));
    $schedule = (new Scheduler($plan, new Shop($plan->network), shopOptions()))->schedule();
    $schedule->apply();
    $rows = array_column(Support::rows($plan, 'demands.csv'), null, 'demand');
    expect($rows['sales:S1/1']['late_days'])->toBe('0')
        ->and([$rows['sales:S2/1']['expected'], $rows['sales:S2/1']['late_days'], $rows['sales:S2/1']['hold_up']])
        ->toBe(['2026-03-04', '1', 'B: no capacity at SAW']);
});
