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

/**
 * Files with every third sales line as one of a job, approved or not, some of it issued.
 *
 * @param  array<string, string>  $files
 * @return array<string, string>
 */
function withJobs(array $files): array
{
    $sales = Support::parse($files['sales.csv']);
    $kept = [];
    $lines = "job,line,item,site,qty,issued,due,approved\n";
    $jobs = [];
    foreach ($sales as $place => $row) {
        if ($place % 3 !== 0) {
            $kept[] = $row;

            continue;
        }
        $job = 'J'.($place % 4);
        $jobs[$job] = "{$job},".(1 + $place % 9);
        $issued = $place % 2 === 0 ? 0 : intdiv((int) $row['qty'], 2);
        $lines .= "{$job},{$place},{$row['item']},{$row['site']},{$row['qty']},{$issued},{$row['due']},".($place % 5 === 0 ? 0 : 1)."\n";
    }
    $heads = array_keys($sales[0]);
    $files['sales.csv'] = implode("\n", [implode(',', $heads), ...array_map(fn (array $row) => implode(',', $row), $kept)])."\n";

    return [...$files, 'jobs.csv' => "job,priority\n".implode("\n", $jobs)."\n", 'job_lines.csv' => $lines];
}

it('agrees where every third line is one of a job', function (int $seed, string $options) {
    $files = withJobs((new RandomBundle($seed, 20))->files());
    foreach (array_filter(explode("\n", $options)) as $row) {
        $files['plan.csv'] = preg_replace('/^'.strtok($row, ',').',.*\n/m', '', $files['plan.csv'])."{$row}\n";
    }
    $contents = Support::bundle($files);
    $naive = (new NaivePlanner($contents->network, $contents->options))->plan();
    foreach (rowsOfCore($contents) as $file => $rows) {
        expect($rows)->toBe($naive[$file], "{$file} of seed {$seed}");
    }
    expect(array_filter($naive['demands.csv'], fn (string $row) => str_contains($row, 'job:')))->toHaveCount(str_contains($options, 'demand') ? 0 : count(array_filter(
        $contents->network->jobLines, fn ($line) => $line->approved && $line->open() > 0 && $line->due <= $contents->options->horizonEnd,
    )));
})->with(range(201, 206))->with(["peg_rule,date\n", "peg_rule,priority\nforecast_placement,spread\n", "demand,forecast\n", "consume_back_days,20\nconsume_forward_days,15\n"]);

it('agrees on the cases reasoned by hand', function (string $case) {
    $contents = Support::bundle(Support::folder(dirname(__DIR__)."/cases/{$case}"));

    expect(rowsOfCore($contents))->toBe((new NaivePlanner($contents->network, $contents->options))->plan());
})->with(array_values(array_map(
    basename(...),
    // Lead times that operations decide are held against a plain computation of their own.
    array_filter(glob(dirname(__DIR__).'/cases/*') ?: [], fn (string $folder) => ! is_file("{$folder}/expected/exit") && basename($folder) !== 'shop_lead'),
)));
