<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Network\Planning;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;
use Yposta\Core\Trial\WhyChanged;

/** A buoy of a hull; both in stock. */
function buoys(): Contents
{
    return Support::bundle([
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n",
        'sites.csv' => "site\nMAIN\n", 'items.csv' => "item\nBUOY\nHULL\n",
        'planning.csv' => "item,site,supply,lead_days\nBUOY,MAIN,make,2\nHULL,MAIN,buy,5\n",
        'bom.csv' => "item,line,component,qty\nBUOY,10,HULL,1\n",
        'stock.csv' => "item,site,qty\nBUOY,MAIN,10\nHULL,MAIN,4\n",
        'sales.csv' => "order,line,item,site,qty,due\nS1,1,BUOY,MAIN,6,2026-04-20\n",
    ]);
}

/** What is proposed of an item in all. */
function proposedOf(string $item): Closure
{
    return function (Plan $plan) use ($item): int {
        $sum = 0;
        foreach ($plan->supplies as $point => $supplies) {
            foreach ($plan->structure->points[$point]->item->code === $item ? $supplies : [] as $supply) {
                $sum += $supply->isProposal() ? $supply->qty : 0;
            }
        }

        return $sum;
    };
}

it('tells what each change did by itself, and what only came of two', function () {
    $contents = buoys();
    $steps = [
        [new ChangeSalesLine('S1', '1', qty: 9_000_000)], // 9 of 10: nothing by itself
        [new ChangeStock('BUOY', 'MAIN', 5_000_000)], // 6 of 5: one is made
        [new ChangePlanning('BUOY', 'MAIN', ['leadDays' => 3])],
    ];
    $causes = WhyChanged::of(new Trial($contents->network, $contents->options), $steps, proposedOf('BUOY'));

    expect([$causes->before, $causes->after])->toBe([0, 4_000_000])->and($causes->own)->toBe([0, 1_000_000, 0])
        ->and($causes->together)->toBe([[0, 1, 3_000_000]])->and($causes->rest)->toBe(0);
});

it('tries what goes on from another after that', function () {
    $contents = buoys();
    $steps = [
        [new PutRows(Planning::class, [$contents->network->planning["BUOY\x1fMAIN"]->with(safetyStock: 6_000_000)])],
        [SoundChange::decode(['change' => 'put_rows', 'kind' => 'sales', 'rows' => [
            ['order' => 'S2', 'line' => '1', 'item' => 'BUOY', 'site' => 'MAIN', 'qty' => '3', 'due' => '2026-04-20'],
        ]])],
        [new ChangeSalesLine('S2', '1', qty: 8_000_000)], // there is no such line without the one before
    ];
    $causes = WhyChanged::of(new Trial($contents->network, $contents->options), $steps, proposedOf('BUOY'));

    expect($causes->own)->toBe([2_000_000, 0, 4_000_000])->and($causes->after - $causes->before)->toBe(10_000_000)
        ->and(array_sum($causes->own) + array_sum(array_column($causes->together, 2)) + $causes->rest)->toBe(10_000_000);
});

it('says nothing where nothing was changed, and refuses what does not fit', function () {
    $contents = buoys();
    $trial = new Trial($contents->network, $contents->options);
    $none = WhyChanged::of($trial, [], proposedOf('BUOY'));
    expect([$none->own, $none->together, $none->rest, $none->after - $none->before])->toBe([[], [], 0, 0])
        ->and(fn () => WhyChanged::of($trial, [[new ChangeSalesLine('S9', '1', qty: 1)]], proposedOf('BUOY')))->toThrow(DoesNotFit::class);
});

it('gives shares that add up to the difference, each held against whole runs', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $contents = Support::bundle((new RandomBundle($seed, 40))->files());
    $network = $contents->network;
    $one = fn (array $rows) => array_values($rows)[$random->getInt(0, count($rows) - 1)];
    $steps = [];
    $at = $network;
    for ($try = 0; $try < 40 && count($steps) < 6; $try++) {
        $point = $one($network->planning);
        $order = $network->orders === [] ? null : $one($network->orders);
        $line = $network->sales === [] ? null : $one($network->sales);
        $change = match ($random->getInt(0, 4)) {
            0 => new ChangePlanning(
                $point->item, $point->site, ['safetyStock' => $random->getInt(0, 40) * 1_000_000, 'leadDays' => $random->getInt(1, 20)],
            ),
            1 => new ChangeStock($point->item, $point->site, $random->getInt(0, 60) * 1_000_000),
            2 => $line === null ? null
                : new ChangeSalesLine($line->order, $line->line, qty: $line->shipped + $random->getInt(1, 40) * 1_000_000),
            3 => $order === null ? null : new MoveOrder($order->code, $order->due + $random->getInt(-10, 30)),
            default => $order === null ? null : new ResizeOrder($order->code, $order->qty + $random->getInt(1, 20) * 1_000_000),
        };
        try {
            if ($change instanceof Change) {
                $at = SoundChange::apply($change, $at);
                $steps[] = [$change];
            }
        } catch (DoesNotFit) {
            continue;
        }
    }
    $figures = ['lateDays', 'short', 'proposals', 'messages'];
    $whole = function (array $places, string $figure) use ($steps, $contents): int {
        $changed = (new Changes(array_merge(...array_map(fn (int $place) => $steps[$place], $places))))->apply($contents->network);

        return Outcome::of(Support::plan(new Contents($changed, $contents->options, [])))->figures[$figure];
    };
    $several = WhyChanged::several(
        new Trial($contents->network, $contents->options), $steps,
        fn (Plan $plan): array => array_intersect_key(Outcome::of($plan)->figures, array_flip($figures)),
    );
    foreach ($figures as $figure) {
        $read = fn (Plan $plan): int => Outcome::of($plan)->figures[$figure];
        $causes = WhyChanged::of(new Trial($contents->network, $contents->options), $steps, $read);
        expect($several[$figure])->toEqual($causes);
        $shares = array_sum($causes->own) + array_sum(array_column($causes->together, 2)) + $causes->rest;
        expect($causes->before)->toBe($whole([], $figure))->and($causes->after)->toBe($whole(array_keys($steps), $figure))
            ->and($causes->before + $shares)->toBe($causes->after);
        foreach ($causes->own as $place => $share) {
            expect($share)->toBe($whole([$place], $figure) - $causes->before);
        }
        foreach ($causes->together as [$first, $second, $share]) {
            $both = $causes->own[$first] + $causes->own[$second];
            expect($share)->toBe($whole([$first, $second], $figure) - $causes->before - $both)->not->toBe(0);
        }
    }
    expect(count($steps))->toBe(6);
})->with(range(1, 16));
