<?php

declare(strict_types=1);

use App\Console\Commands\ServeCommand;
use Benchmarks\ClassicShop;
use Benchmarks\LargeShop;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Scheduling\Improvement;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\Scheduler;
use Yposta\Core\Structure\LoopCheck;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\CloseCentre;
use Yposta\Core\Study\KeptSchedule;
use Yposta\Core\Trial\Trial;

// What load and schedule take: php benchmarks/schedule.php. Compiled while it runs, as it is served.

require __DIR__.'/../vendor/autoload.php';

if (($argv[1] ?? '') !== '--here') {
    passthru(implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, ...ServeCommand::COMPILED, '-d', 'memory_limit=-1', __FILE__, '--here'])));
    exit;
}
gc_disable();
$timed = function (callable $work): float {
    $began = hrtime(true);
    $work();

    return (hrtime(true) - $began) / 1e9;
};
$planned = function (array $streams): Plan {
    $contents = (new BundleReader(new LoopCheck))->read($streams);

    return (new Planner)->plan($contents->network, $contents->options);
};
foreach ([[50_000, 200, 365, true], [2_000, 20, 60, false], [10_000, 50, 90, false]] as [$operations, $centres, $days, $onlyLoad]) {
    $plan = $planned((new LargeShop($operations, $centres, $days))->streams());
    $shop = new Shop($plan->network);
    $load = $timed(fn () => new Load($plan, $shop));
    printf('%6d operations, %3d centres, %3d days: load %.2f s', $operations, $centres, $days, $load);
    if (! $onlyLoad) {
        $options = new ScheduleOptions(now: $plan->options->planDate * 1440, steps: 60);
        $scheduler = new Scheduler($plan, $shop, $options);
        $schedule = $scheduler->schedule();
        printf(', schedule %.2f s', $timed(function () use ($scheduler, &$schedule): void {
            $schedule = $scheduler->schedule();
        }));
        $seconds = $timed(fn () => (new Improvement($scheduler, $options))->of($schedule, fn () => true));
        printf(', %.1f steps of improvement a second', $options->steps / $seconds);
        $kept = (new Changes(KeptSchedule::changes($plan->network, $schedule->orders())))->apply($plan->network);
        $trial = new Trial($kept, $plan->options->with(schedule: true));
        $trial->outcome();
        $day = Day::format($plan->options->planDate + 2);
        $down = new CloseCentre((string) array_key_first($kept->workCentres), "{$day} 00:00", "{$day} 23:59");
        printf(', a breakdown on top of it %.2f s', $timed(fn () => $trial->effect([$down])));
    }
    echo "\n";
}
foreach (['6 x 6, best 55' => [ClassicShop::SIX, 3], '10 x 10, best 930' => [ClassicShop::TEN, 10]] as $name => [$text, $limit]) {
    foreach ([1, 2, 3] as $seed) {
        $plan = $planned(LargeShop::asStreams((new ClassicShop($text))->files()));
        $options = new ScheduleOptions(now: $plan->options->planDate * 1440, aim: ScheduleAim::Makespan, steps: 10_000_000, seed: $seed);
        $scheduler = new Scheduler($plan, new Shop($plan->network, $plan->options->calendars), $options);
        $began = hrtime(true);
        [$schedule, $steps] = (new Improvement($scheduler, $options))->of(
            $scheduler->schedule(), fn () => hrtime(true) - $began < $limit * 1e9,
        );
        printf("%s: %d after %d s, %d steps a second\n", $name, $schedule->figures()['makespan_min'], $limit, intdiv($steps, $limit));
    }
}
