<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Tests\Reference\NaivePlanner;
use Tests\Support;

/**
 * The rows of a plan as the naive planner writes them.
 *
 * @return array<string, list<string>>
 */
function rowsOfCore(Yposta\Core\Bundle\Contents $contents): array
{
    $plan = Support::plan($contents);
    $files = [];
    foreach (['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv', 'buckets.csv'] as $file) {
        $files[$file] = array_map(fn (array $row) => implode(',', array_diff_key($row, ['text' => 1, 'hold_up' => 1])), Support::rows($plan, $file));
        sort($files[$file]);
    }

    return $files;
}

it('agrees with the rules written down naively', function (int $seed, string $options) {
    $files = (new RandomBundle($seed, 20))->files();
    $files['plan.csv'] .= $options;
    $contents = Support::bundle($files);
    $naive = (new NaivePlanner($contents->network, $contents->options))->plan();
    foreach (rowsOfCore($contents) as $file => $rows) {
        expect($rows)->toBe($naive[$file], "{$file} of seed {$seed}");
    }
    expect($naive['proposals.csv'])->not->toBeEmpty();
})->with(range(101, 106))->with(["peg_rule,date\n", "peg_rule,priority\nforecast_placement,spread\ncalendars,off\npush_out_days,2\n"]);

it('agrees on the cases reasoned by hand', function (string $case) {
    $contents = Support::bundle(Support::folder(dirname(__DIR__)."/cases/{$case}"));

    expect(rowsOfCore($contents))->toBe((new NaivePlanner($contents->network, $contents->options))->plan());
})->with(['worked', 'worked_late', 'forecast', 'lot_group', 'lot_min_max', 'lot_per_order', 'peg_priority', 'phantom', 'reschedule', 'transfer_chain']);
