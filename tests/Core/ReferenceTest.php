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
        $files[$file] = array_map(
            fn (array $row) => implode(',', array_diff_key($row, ['text' => 1, 'hold_up' => 1])),
            Support::rows($plan, $file),
        );
        sort($files[$file]);
    }

    return $files;
}

it('agrees with the rules written down naively', function (int $seed, string $options) {
    $files = (new RandomBundle($seed, 20))->files();
    foreach (array_filter(explode("\n", $options)) as $row) {
        $files['plan.csv'] = preg_replace('/^'.strtok($row, ',').',.*\n/m', '', $files['plan.csv'])."{$row}\n";
    }
    $contents = Support::bundle($files);
    $naive = (new NaivePlanner($contents->network, $contents->options))->plan();
    foreach (rowsOfCore($contents) as $file => $rows) {
        expect($rows)->toBe($naive[$file], "{$file} of seed {$seed}");
    }
    str_contains($options, 'SIDE') || expect($naive['demands.csv'])->not->toBeEmpty(); // the small site may have nothing
})->with(range(101, 104))->with([
    "demand,sales\n", "demand,forecast\nconsume_back_days,20\nconsume_forward_days,15\n", "supply,stock;production\n",
    "supply,purchase;transfer\nbucket,day\n", "sites,MAIN\n", "sites,SIDE\nsafety_stock,off\n",
    "items,I00000;I00003\n", "items,I00001\nsites,MAIN\n", "bring_in_days,0\nconsume,off\nbucket,month\n", "peg_rule,date\n",
    "peg_rule,priority\nforecast_placement,spread\ncalendars,off\npush_out_days,2\n"]);

it('agrees on the cases reasoned by hand', function (string $case) {
    $contents = Support::bundle(Support::folder(dirname(__DIR__)."/cases/{$case}"));

    expect(rowsOfCore($contents))->toBe((new NaivePlanner($contents->network, $contents->options))->plan());
})->with(array_values(array_map(
    basename(...),
    // Lead times that operations decide are held against a plain computation of their own.
    array_filter(glob(dirname(__DIR__).'/cases/*') ?: [], fn (string $folder) => ! is_file("{$folder}/expected/exit") && basename($folder) !== 'shop_lead'),
)));
