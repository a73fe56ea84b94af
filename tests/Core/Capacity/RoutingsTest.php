<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Tests\Support;
use Yposta\Core\Capacity\Minutes;
use Yposta\Core\Capacity\Routings;
use Yposta\Core\Capacity\Work;
use Yposta\Core\Plan\Amounts;
use Yposta\Core\Quantity\Quantity;

/** A shop with two centres, one of them slow, and operations of a site and of all. */
function routedShop(): array
{
    return [
        'items' => "item,name,unit,decimals,unit_cost\nTOP,Top,pcs,0,50\nRAW,Raw,kg,2,4\n",
        'planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,2,\nRAW,MAIN,buy,3,SUP\n",
        'bom' => "item,line,component,qty\nTOP,10,RAW,0.5\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,20,2026-03-20\nS2,1,RAW,MAIN,1.5,2026-03-20\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,TOP,MAIN,8,2026-03-12\nM2,make,firm,TOP,MAIN,4,2026-03-13\n",
        'work_centres' => "work_centre,site,efficiency_pct,units\nSAW,MAIN,80,1\nFIT,MAIN,100,2\n",
        'operations' => "item,site,op,work_centre,setup_min,run_min,base_qty,queue_min,move_min,crew,setup_family\n"
            ."TOP,,20,FIT,5,3,1,60,10,2,\nTOP,MAIN,10,SAW,10,7,2,0,15,1,blue\nTOP,MAIN,20,FIT,0,3,1,30,10,2,\n",
        'order_operations' => "order,op,work_centre,setup_min,run_min,crew,done_qty\nM1,10,SAW,10,4,1,8\nM1,20,FIT,6,3,2,5\nM1,30,FIT,1,0.1,1,0\n",
    ];
}

/** @return list<string> */
function said(array $works): array
{
    return array_map(
        fn (Work $work) => "{$work->op} {$work->centre} {$work->crew}x{$work->minutes} ".Quantity::format($work->queue).' '.Quantity::format($work->move)." {$work->family}",
        $works,
    );
}

it('takes the operations of the site before those for all, and the rows of an order before both', function () {
    $network = Support::small(routedShop())->network;
    $routings = new Routings($network);

    // 10: (10 + 7 x 3 / 2) x 100 / 80 = 25.6; 20: 3 x 3
    expect(said($routings->ofProposal('TOP', 'MAIN', 3_000_000)))->toBe(['10 SAW 1x26 0 15 blue', '20 FIT 2x9 30 10 '])
        ->and(said($routings->ofProposal('TOP', 'ELSEWHERE', 3_000_000)))->toBe(['20 FIT 2x14 60 10 '])
        ->and($routings->ofProposal('RAW', 'MAIN', 3_000_000))->toBe([])
        // 10 is over; 20 has begun, so its setup is done: 3 x 3; 30 is of the order alone: 1 + 0.1 x 8 = 1.8
        ->and(said($routings->ofOrder($network->orders['M1'])))->toBe(['20 FIT 2x9 30 10 ', '30 FIT 1x2 0 0 '])
        ->and(said($routings->ofOrder($network->orders['M2'])))->toBe(['10 SAW 1x30 0 15 blue', '20 FIT 2x12 30 10 ']);
});

it('rounds minutes up once, exactly', function () {
    mt_srand(9);
    $random = fn (int $most): int => mt_rand(0, 3) === 0 ? mt_rand(0, $most) : mt_rand(0, intdiv($most, 1_000_000)) * 1_000_000;
    for ($i = 0; $i < 3000; $i++) {
        [$setup, $run, $qty] = [$random(500_000_000), $random(90_000_000), $random($i % 3 === 0 ? 9_000_000_000_000 : 900_000_000)];
        $base = 1 + $random(50_000_000);
        $efficiency = 1 + $random(150_000_000);
        $speed = mt_rand(0, 1) ? 100_000_000 : 1 + $random(120_000_000);
        mt_rand(0, 1) && [$base, $efficiency, $speed] = [1_000_000, 100_000_000, 100_000_000];
        $exact = BigRational::of($setup)->plus(BigRational::of($run)->multipliedBy($qty)->dividedBy($base))->dividedBy(1_000_000)
            ->multipliedBy(100_000_000)->dividedBy($efficiency)->multipliedBy(100_000_000)->dividedBy($speed);
        $minutes = $exact->toScale(0, RoundingMode::UP)->toBigInteger();
        expect((string) Minutes::of($setup, $run, $base, $qty, $efficiency, $speed))
            ->toBe((string) ($minutes->isGreaterThan(1_000_000_000_000) ? 1_000_000_000_000 : $minutes));
    }
});

it('adds up what is needed, what is to be bought, and the hours of work', function () {
    $amounts = Amounts::of(Support::plan(Support::small(routedShop())));

    // TOP 20 less 12 on order: a proposal of 8. RAW 0.5 x 20 + 1.5 = 11.5 kg.
    // M1: 2 x 9 + 2; M2: 30 + 2 x 12; the proposal: (10 + 28) x 1.25 = 48 + 2 x 24
    expect($amounts->needed)->toBe(['kg' => 1_500_000, 'pcs' => 20_000_000])
        ->and($amounts->figures())->toBe(['neededValue' => 1006, 'buyValue' => 46, 'workHours' => 3]);
});
