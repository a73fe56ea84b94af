<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Plan\Buckets;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Demand;

/** A plan of a made-up network with every feature mixed. */
function randomPlan(int $seed): Plan
{
    return Support::plan(Support::bundle((new RandomBundle($seed, 80))->files()));
}

dataset('seeds', range(1, 8));

it('balances at every point and pegs nothing twice', function (int $seed) {
    $plan = randomPlan($seed);
    $given = $taken = [];
    foreach ($plan->pegs() as $peg) {
        expect($peg->qty)->toBeGreaterThan(0)->and($peg->supply->point)->toBe($peg->demand->point);
        $given[spl_object_id($peg->supply)] = ($given[spl_object_id($peg->supply)] ?? 0) + $peg->qty;
        $taken[spl_object_id($peg->demand)] = ($taken[spl_object_id($peg->demand)] ?? 0) + $peg->qty;
    }
    expect($plan->pegs())->not->toBeEmpty();
    foreach ($plan->supplies as $supplies) {
        foreach ($supplies as $supply) {
            expect($given[spl_object_id($supply)] ?? 0)->toBeLessThanOrEqual($supply->qty);
        }
    }
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            expect(($taken[spl_object_id($demand)] ?? 0) + $demand->uncovered)->toBe($demand->qty);
        }
    }
})->with('seeds');

it('never lets a balance fall under what is kept, as needed', function (int $seed) {
    $plan = randomPlan($seed);
    $buckets = new Buckets($plan->options->bucket, $plan->options->planDate, $plan->options->horizonEnd);
    foreach ($plan->structure->points as $index => $point) {
        $demands = array_filter($plan->demands[$index] ?? [], fn (Demand $demand) => $demand->need !== null);
        if ($demands === [] || $point->planning->frozenDays > 0) {
            continue;
        }
        foreach ($buckets->of($plan->supplies[$index] ?? [], array_values($demands)) as $row) {
            expect($row->balance)->toBeGreaterThanOrEqual($point->floor(), "{$point->label()} in the week of ".Day::format($row->start));
        }
    }
})->with('seeds');

it('gives the same plan whatever the order of the rows', function (int $seed) {
    $files = (new RandomBundle($seed, 80))->files();
    $shuffled = array_map(function (string $text): string {
        $lines = explode("\n", trim($text));
        $header = array_shift($lines);
        mt_srand(crc32($text));
        shuffle($lines);

        return $header."\n".implode("\n", $lines)."\n";
    }, $files);
    $one = Support::plan(Support::bundle($files));
    $other = Support::plan(Support::bundle($shuffled));

    foreach (['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv', 'buckets.csv'] as $file) {
        expect(Support::rows($other, $file))->toBe(Support::rows($one, $file));
    }
})->with('seeds');

it('gives every input of an order the urgency, date and quantity of its order', function (int $seed) {
    $plan = randomPlan($seed);
    $inputs = 0;
    foreach ($plan->proposals() as $proposal) {
        foreach ($proposal->inputs as $input) {
            $inputs++;
            expect($input->priority)->toBe($proposal->priority)
                ->and($input->date)->toBeGreaterThanOrEqual(max($proposal->start, $plan->options->planDate))
                ->and($input->qty % $plan->structure->points[$input->point]->item->step())->toBe(0);
        }
    }
    expect($inputs)->toBeGreaterThan(0);
})->with('seeds');

it('proposes nothing new when every proposal has become an order', function (int $seed) {
    $contents = Support::bundle((new RandomBundle($seed, 60, false))->files());
    $plan = Support::plan($contents);
    $network = Support::converted($contents->network, $plan);
    $again = (new Yposta\Core\Planner)->plan($network, $contents->options);

    expect($plan->proposals())->not->toBeEmpty()
        ->and(array_map(fn ($proposal) => $plan->structure->points[$proposal->point]->label(), $again->proposals()))->toBe([]);
})->with('seeds');
