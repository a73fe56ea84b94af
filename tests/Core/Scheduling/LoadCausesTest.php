<?php

declare(strict_types=1);

use Benchmarks\RandomShop;
use Tests\Support;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\Causes;
use Yposta\Core\Plan\EndShares;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\DemandLoad;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadEntry;
use Yposta\Core\Scheduling\Overflow;

/** A saw of 40 hours a week, with 50 hours to do in the second: 20 for sales, 20 for a forecast, 10 for nobody. */
function fullSaw(array $files = []): Plan
{
    return Support::plan(Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\nforecasts,F\n",
        'items' => "item\nA\nB\nC\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\nB,MAIN,make,1\nC,MAIN,make,1\n",
        'work_centres' => "work_centre,site,units\nSAW,MAIN,1\n", 'shifts' => "work_centre,weekdays,from,to\nSAW,12345,06:00,14:00\n",
        'operations' => "item,op,work_centre,run_min\nA,10,SAW,60\nB,10,SAW,60\nC,10,SAW,60\n",
        'sales' => "order,line,item,site,qty,due,customer,priority\nS1,1,A,MAIN,12,2026-03-13,Coastal Trust,2\nS2,1,A,MAIN,8,2026-03-13,Tern Harbour,7\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nF,B,MAIN,week,2026-03-09,20\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,20,2026-03-12,2026-03-13\n"
            ."MB,make,firm,B,MAIN,20,2026-03-12,2026-03-13\nMC,make,firm,C,MAIN,10,2026-03-12,2026-03-13\n",
        ...$files,
    ]));
}

it('shares every supply out to sales lines and forecasts as the causes have it', function (int $seed) {
    $plan = Support::plan(Support::bundle((new RandomShop($seed, 30, 4))->files()));
    $causes = new Causes($plan);
    $ends = new EndShares($plan);
    $asked = 0;
    foreach (array_merge(...array_values($plan->supplies)) as $supply) {
        $sums = ['sales' => 0.0, 'forecast' => 0.0];
        foreach ($ends->of($supply) as [$demand, $share]) {
            $sums[$demand->kind === DemandKind::Sales ? 'sales' : 'forecast'] += $share;
            $asked++;
        }
        [$sales, $forecast] = $causes->shares($supply);
        expect($sums['sales'])->toEqualWithDelta($sales, 1e-9)->and($sums['forecast'])->toEqualWithDelta($forecast, 1e-9);
    }
    expect($asked)->toBeGreaterThan(50);
})->with([1, 2, 3, 4]);

it('tells for every cell the operations that fill it, to the minute', function (int $seed) {
    $plan = Support::plan(Support::bundle((new RandomShop($seed, 30, 4))->files()));
    $load = new Load($plan, new Shop($plan->network, $plan->options->calendars));
    $full = 0;
    foreach ($load->cells as $centre => $cells) {
        foreach (array_slice($cells, 0, 8) as $place => $cell) {
            $entries = $load->at((string) $centre, $place);
            $overflow = new Overflow($plan, $cell, $entries);
            expect(array_sum(array_map(fn (LoadEntry $entry) => $entry->minutes, $entries)))->toEqual($cell->load)
                ->and(array_sum(array_map(fn (DemandLoad $one) => $one->minutes, $overflow->demands)) + $overflow->forNobody)
                ->toEqualWithDelta($cell->load, 0.001)
                ->and($overflow->forNobody)->toEqualWithDelta($cell->safety + $cell->stock(), 0.001)
                ->and($load->undisturbed((string) $centre, $place))->toBeGreaterThanOrEqual($cell->capacity);
            $full += $cell->load > 0 ? 1 : 0;
        }
    }
    expect($full)->toBeGreaterThan(5);
})->with([5, 6, 7]);

it('counts a part of the work where a part is asked for, and all parts together are the whole', function () {
    $plan = Support::plan(Support::bundle((new RandomShop(9, 30, 4))->files()));
    $shop = new Shop($plan->network, $plan->options->calendars);
    $all = new Load($plan, $shop);
    $orders = new Load($plan, $shop, part: fn (Supply $supply) => $supply->isProposal() ? 0.0 : 1.0);
    $proposals = new Load($plan, $shop, part: fn (Supply $supply) => $supply->isProposal() ? 1.0 : 0.0);
    foreach ($all->cells as $centre => $cells) {
        foreach ($cells as $place => $cell) {
            expect($orders->cells[$centre][$place]->load + $proposals->cells[$centre][$place]->load)->toEqualWithDelta($cell->load, 0.001);
        }
    }
});

it('lets go of a forecast first and then of the line that counts least, after what nobody needs', function () {
    $plan = fullSaw();
    $load = new Load($plan, new Shop($plan->network));
    $cell = $load->cells['SAW'][1];
    $overflow = new Overflow($plan, $cell, $load->at('SAW', 1));
    expect([$cell->load, $cell->capacity, $overflow->excess, $overflow->forNobody])->toEqual([3000.0, 2400, 600.0, 600.0])
        ->and($overflow->unfit($plan))->toBe([]); // the lot that nobody needs is enough

    // without the lot: S1 counts more than S2, the forecast gives way before both
    $orders = fn (string ...$rows) => "order,kind,status,item,site,qty,start,due\n".implode('', array_map(fn (string $row) => "{$row},2026-03-12,2026-03-13\n", $rows));
    $line = fn (int $first, int $second) => "order,line,item,site,qty,due,customer,priority\nS1,1,A,MAIN,{$first},2026-03-13,Coastal Trust,2\n"
        ."S2,1,A,MAIN,{$second},2026-03-13,Tern Harbour,7\n";
    $forecast = fn (int $qty) => "forecast,item,site,bucket,start,qty\nF,B,MAIN,week,2026-03-09,{$qty}\n";
    foreach ([
        [['MA,make,firm,A,MAIN,20', 'MB,make,firm,B,MAIN,28'], $line(12, 8), 28, [['F', 8]]],
        [['MA,make,firm,A,MAIN,30', 'MX,make,firm,A,MAIN,20', 'MB,make,firm,B,MAIN,4'], $line(30, 20), 4, [['F', 4], ['S2', 10]]],
    ] as [$rows, $lines, $qty, $wanted]) {
        $plan = fullSaw(['orders' => $orders(...$rows), 'sales' => $lines, 'forecasts' => $forecast($qty)]);
        $load = new Load($plan, new Shop($plan->network));
        $unfit = (new Overflow($plan, $load->cells['SAW'][1], $load->at('SAW', 1)))->unfit($plan);
        expect(array_map(fn (array $one) => [$one[0]->demand->name, intdiv($one[1], 1_000_000)], $unfit))->toBe($wanted);
    }
});
