<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\RandomChange;
use Tests\Support;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;

/** @return array<string, list<array<string, string>>> */
function allRows(Plan $plan): array
{
    $files = [];
    foreach (['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv', 'buckets.csv'] as $file) {
        $files[$file] = Support::rows($plan, $file);
    }

    return $files;
}

it('gives what a whole run gives, change after change', function (int $seed, string $options) {
    $files = (new RandomBundle($seed, 45))->files();
    $files['plan.csv'] .= $options;
    $contents = Support::bundle($files);
    $network = $contents->network;
    $plan = Support::plan($contents);
    $changes = new RandomChange(new Randomizer(new Mt19937($seed)));
    for ($step = 0; $step < 10; $step++) {
        $network = $changes->to($network);
        $plan = NetChange::plan($plan, $network);
        expect(allRows($plan))->toBe(
            allRows((new Planner)->plan($network, $contents->options)),
            "seed {$seed}, step {$step}: {$changes->last}",
        );
    }
})->with(range(301, 304))->with(["peg_rule,date\n", "peg_rule,priority\nforecast_placement,spread\n"]);
