<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Remedy\Remedies;
use Yposta\Core\Remedy\RemedyKind;
use Yposta\Core\Remedy\TriedRemedy;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PrioritiseOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\Trial;

/**
 * LAMP is made of two BULBs in three working days; M1 needs twenty on Mon 2026-03-09. Nothing is on stock unless a test says so, bulbs take
 * eight working days to buy.
 *
 * @param  array<string, string>  $files  in place of these
 */
function lampWorks(array $files = []): Trial
{
    $contents = Support::small([
        'suppliers' => "supplier,name\nSUP,Grindel Glass\nFAST,Quick Quays\n",
        ...LAMP_ITEMS,
        'planning' => "item,site,supply,lead_days,supplier\nLAMP,MAIN,make,3,\nBULB,MAIN,buy,8,SUP\n",
        'bom' => "item,line,component,qty\nLAMP,10,BULB,2\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\nM1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,5\n",
        'sales' => "order,line,item,site,qty,due,customer,priority\nS1,1,LAMP,MAIN,10,2026-03-12,Pier 9 Supply,5\n",
        ...$files,
    ]);

    return new Trial($contents->network, $contents->options);
}

/** @return list<TriedRemedy> of one kind */
function ofKind(RemedyKind $kind, Trial $trial, string $identity): array
{
    return array_values(array_filter(
        iterator_to_array((new Remedies($trial))->for($identity), false),
        fn (TriedRemedy $tried) => $tried->remedy->kind() === $kind,
    ));
}

function titleOf(TriedRemedy $tried): string
{
    return Support::english()->on(Day::parse('2026-03-02'))->say($tried->remedy->title());
}

const LAMP_ITEMS = ['items' => "item,name,unit,decimals,phantom,unit_cost\nLAMP,Lamp,pcs,0,0,20\nBULB,Bulb,pcs,0,0,3\nBULBX,Bulb X,pcs,0,0,4\nBULBY,Bulb Y,pcs,0,0,4\n"];

it('buys what is usually made, from the one who is there first, and only where that is earlier', function () {
    $offers = "supplier,item,lead_days,min_qty,multiple,rank\nSUP,LAMP,6,,,1\nFAST,LAMP,4,12,12,2\n";
    $found = ofKind(RemedyKind::BuyInstead, lampWorks([...LAMP_ITEMS, 'supplier_items' => $offers]), 'sales:S1/1');
    $orders = array_map(function (TriedRemedy $tried) {
        $change = $tried->remedy->changes[0];
        assert($change instanceof PutOrder);

        return [$change->order->kind, $change->order->supplier, $change->order->qty, Day::format($change->order->due)];
    }, $found);

    // the line is expected on Tue 17 Mar; both could be there by Thu 12 Mar, the second sells dozens
    expect($orders)->toBe([
        [OrderKind::Buy, 'SUP', 10_000_000, '2026-03-12'],
        [OrderKind::Buy, 'FAST', 12_000_000, '2026-03-12'],
    ])->and(array_map(fn (TriedRemedy $tried) => $tried->solves, $found))->toBe([true, true]);

    $slow = "supplier,item,lead_days,min_qty,multiple,rank\nSUP,LAMP,40,,,1\n";
    expect(ofKind(RemedyKind::BuyInstead, lampWorks([...LAMP_ITEMS, 'supplier_items' => $slow]), 'sales:S1/1'))->toBe([])
        ->and(ofKind(RemedyKind::BuyInstead, lampWorks([...LAMP_ITEMS, 'supplier_items' => $offers]), 'part:M1/10'))->toBe([]);
});

it('buys elsewhere only what is bought, and not from whom it comes anyway', function () {
    $offers = "supplier,item,lead_days,min_qty,multiple,rank\nSUP,BULB,8,,,1\nFAST,BULB,2,30,,2\n";
    $found = ofKind(RemedyKind::OtherSupplier, lampWorks([...LAMP_ITEMS, 'supplier_items' => $offers]), 'part:M1/10');

    expect(array_map(titleOf(...), $found))->toBe(['Buy 30 pcs from Quick Quays'])->and($found[0]->solves)->toBeTrue();
    $same = "supplier,item,lead_days,min_qty,multiple,rank\nSUP,BULB,8,,,1\nFAST,BULB,30,,,2\n";
    expect(ofKind(RemedyKind::OtherSupplier, lampWorks([...LAMP_ITEMS, 'supplier_items' => $same]), 'part:M1/10'))->toBe([]);
    // what is on order there comes on 03-30; buying it there once more would be faster, but is no other supplier
    $ordered = "order,kind,status,item,site,supplier,qty,start,due,priority\n"
        ."M1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,5\nP1,buy,released,BULB,MAIN,SUP,20,,2026-03-30,5\n";
    $known = lampWorks([...LAMP_ITEMS, 'supplier_items' => "supplier,item,lead_days,min_qty,multiple,rank\nSUP,BULB,2,,,1\n", 'orders' => $ordered]);
    expect(ofKind(RemedyKind::OtherSupplier, $known, 'part:M1/10'))->toBe([]);
});

it('takes nothing from an order that has been started', function (string $status, array $titles) {
    $trial = lampWorks([
        ...LAMP_ITEMS,
        'stock' => "item,site,qty\nBULB,MAIN,20\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\n"
            ."M1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,2\nM2,make,{$status},LAMP,MAIN,,10,2026-03-09,2026-03-12,8\n",
        'allocations' => "demand,supply,qty\npart:M2/10,stock:BULB@MAIN,20\n",
    ]);

    expect(array_map(titleOf(...), ofKind(RemedyKind::TakeFrom, $trial, 'part:M1/10')))->toBe($titles);
})->with(['firm' => ['firm', ['Take 20 pcs from M2']], 'started' => ['released', []]]);

it('uses a substitute only in what it is allowed for, and where it helps', function (string $substitutes, array $titles) {
    $trial = lampWorks([
        ...LAMP_ITEMS,
        'planning' => "item,site,supply,lead_days,supplier\nLAMP,MAIN,make,3,\nBULB,MAIN,buy,8,SUP\nBULBX,MAIN,buy,40,SUP\n",
        'stock' => "item,site,qty\nBULBX,MAIN,15\nBULBY,MAIN,50\n",
        'substitutes' => "item,component,substitute,ratio,rank\n{$substitutes}\n",
    ]);

    expect(array_map(titleOf(...), ofKind(RemedyKind::Substitute, $trial, 'part:M1/10')))->toBe($titles);
})->with([
    'one for one' => ['LAMP,BULB,BULBX,1,1', ['Use BULBX for 15 pcs']],
    'two for one' => ['LAMP,BULB,BULBX,2,1', ['Use BULBX for 7 pcs']],
    'in another product' => ['BULBX,BULB,BULBY,1,1', []],
    'more than there is of it, and long to come' => ['LAMP,BULB,BULBX,20,1', []],
]);

it('pulls in the start of an order with its end', function () {
    $trial = lampWorks([
        ...LAMP_ITEMS,
        'planning' => "item,site,supply,lead_days,supplier\nLAMP,MAIN,make,3,\nBULB,MAIN,make,1,\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\n"
            ."M1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,5\nM2,make,firm,BULB,MAIN,,20,2026-03-11,2026-03-13,5\n"
            ."M3,make,firm,BULB,MAIN,,1,2026-03-04,2026-03-06,5\n",
    ]);

    expect(ofKind(RemedyKind::PullIn, $trial, 'part:M1/10')[0]->remedy->changes)
        ->toEqual([new MoveOrder('M2', Day::parse('2026-03-09'), Day::parse('2026-03-09'))]);
});

it('makes an order more urgent only where the plan serves by priority', function () {
    $rival = [
        ...LAMP_ITEMS,
        'stock' => "item,site,qty\nBULB,MAIN,20\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\n"
            ."M1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,5\nM2,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,4\n",
    ];
    $byPriority = [...$rival, 'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\npeg_rule,priority\n"];
    $found = ofKind(RemedyKind::Urgent, lampWorks($byPriority), 'part:M1/10');

    expect($found)->toHaveCount(1)->and($found[0]->solves)->toBeTrue()
        ->and($found[0]->remedy->changes)->toEqual([new PrioritiseOrder('M1', 1)])
        ->and(ofKind(RemedyKind::Urgent, lampWorks($rival), 'part:M1/10'))->toBe([]);
});

it('cannot make the most urgent more so', function () {
    $files = [
        ...LAMP_ITEMS,
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\npeg_rule,priority\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\nM1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,1\n",
    ];

    expect(ofKind(RemedyKind::Urgent, lampWorks($files), 'part:M1/10'))->toBe([]);
});

it('orders now what is proposed in time, at the date it would be converted for', function () {
    $files = [
        ...LAMP_ITEMS,
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\nM1,make,firm,LAMP,MAIN,,10,2026-03-17,2026-03-20,5\n",
        'sales' => "order,line,item,site,qty,due,customer,priority\nS1,1,LAMP,MAIN,10,2026-03-20,Pier 9 Supply,5\n",
    ];
    $found = ofKind(RemedyKind::OrderNow, lampWorks($files), 'part:M1/10');

    expect(array_map(titleOf(...), $found))->toBe(['Order 20 pcs now'])->and($found[0]->solves)->toBeTrue()->and($found[0]->short)->toBe(0);
});

it('pulls in also what lies below an order that waits', function () {
    // 10 lamps are made for a sign by M1; the bulbs of M1 come with P1 too late for the sign
    $trial = lampWorks([
        'items' => "item,name,unit,decimals,phantom,unit_cost\nSIGN,Sign,pcs,0,0,90\nLAMP,Lamp,pcs,0,0,20\nBULB,Bulb,pcs,0,0,3\n",
        'planning' => "item,site,supply,lead_days,supplier\nSIGN,MAIN,make,2,\nLAMP,MAIN,make,3,\nBULB,MAIN,buy,8,SUP\n",
        'bom' => "item,line,component,qty\nSIGN,10,LAMP,10\nLAMP,10,BULB,2\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\n"
            ."M1,make,firm,LAMP,MAIN,,10,2026-03-09,2026-03-12,5\nM2,make,firm,SIGN,MAIN,,1,2026-03-12,2026-03-16,5\n"
            ."P1,buy,released,BULB,MAIN,SUP,20,,2026-03-13,5\n",
        'sales' => "order,line,item,site,qty,due,customer,priority\nS1,1,SIGN,MAIN,1,2026-03-16,Pier 9 Supply,5\n",
    ]);
    $found = ofKind(RemedyKind::PullIn, $trial, 'part:M2/10');

    expect(array_map(titleOf(...), $found))->toContain('Pull P1 in to Mon 9 Mar')
        ->and(array_filter($found, fn (TriedRemedy $tried) => $tried->solves))->not->toBe([]);
    foreach ($found as $tried) {
        $letter = $tried->remedy->letter();
        $isPurchase = str_contains(titleOf($tried), 'P1');
        expect($letter !== null)->toBe($isPurchase, 'only who is outside gets a letter');
        $isPurchase && expect(Support::english()->on(Day::parse('2026-03-02'))->say($letter))->toContain('Grindel Glass')->toContain('P1');
    }
});

it('builds now only what is complete, in whole units, and nothing where all or none is', function (int $stock, array $titles) {
    $trial = lampWorks([
        ...LAMP_ITEMS,
        'stock' => "item,site,qty\nBULB,MAIN,{$stock}\n",
    ]);

    expect(array_map(titleOf(...), ofKind(RemedyKind::Split, $trial, 'part:M1/10')))->toBe($titles);
})->with([
    'half' => [10, ['Split M1: build 5 pcs now']],
    'a part of one' => [7, ['Split M1: build 3 pcs now']],
    'less than one' => [1, []],
    'none' => [0, []],
]);

it('tells the customer a later date only for his line, and the order to wait only where it does', function () {
    $trial = lampWorks(LAMP_ITEMS);

    expect(array_map(titleOf(...), ofKind(RemedyKind::MoveLine, $trial, 'sales:S1/1')))->toBe(['Promise S1/1 for Tue 17 Mar'])
        ->and(ofKind(RemedyKind::MoveLine, $trial, 'sales:S1/1')[0]->remedy->changes)
        ->toEqual([new ChangeSalesLine('S1', '1', null, Day::parse('2026-03-17'))])
        ->and(ofKind(RemedyKind::MoveLine, $trial, 'part:M1/10'))->toBe([])
        ->and(array_map(titleOf(...), ofKind(RemedyKind::MoveOrder, $trial, 'part:M1/10')))->toBe(['Move M1 to Tue 17 Mar'])
        ->and(ofKind(RemedyKind::MoveOrder, $trial, 'sales:S1/1'))->toBe([]);
});

it('leaves out what cannot be planned: a substitute that is made of what needs it', function () {
    $files = [
        ...LAMP_ITEMS,
        'planning' => "item,site,supply,lead_days,supplier\nLAMP,MAIN,make,3,\nBULB,MAIN,buy,8,SUP\nBULBX,MAIN,make,1,\n",
        'bom' => "item,line,component,qty\nLAMP,10,BULB,2\nBULBX,10,LAMP,1\n",
        'substitutes' => "item,component,substitute,ratio,rank\nLAMP,BULB,BULBX,1,1\n",
    ];
    $trial = lampWorks($files);
    $before = $trial->outcome();

    expect(ofKind(RemedyKind::Substitute, $trial, 'part:M1/10'))->toBe([])
        ->and(ofKind(RemedyKind::MoveOrder, $trial, 'part:M1/10'))->toHaveCount(1)
        ->and($trial->outcome())->toBe($before);
});

it('costs others first, then what stays late, then stock', function () {
    $files = [...LAMP_ITEMS, 'supplier_items' => "supplier,item,lead_days,min_qty,multiple,rank\nSUP,BULB,8,,,1\nFAST,BULB,2,500,,2\n"];
    $found = iterator_to_array((new Remedies(lampWorks($files)))->for('part:M1/10'), false);
    usort($found, fn (TriedRemedy $a, TriedRemedy $b) => $a->cost() <=> $b->cost());
    $solves = array_map(fn (TriedRemedy $tried) => $tried->solves, $found);
    $kinds = array_map(fn (TriedRemedy $tried) => $tried->remedy->kind(), $found);
    $sorted = $solves;
    rsort($sorted);

    expect($solves)->toBe($sorted)
        // hurrying costs no stock; five hundred bulbs do
        ->and(array_search(RemedyKind::Hurry, $kinds, true))->toBeLessThan(array_search(RemedyKind::OtherSupplier, $kinds, true));
});
