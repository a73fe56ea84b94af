<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Remedy\Remedies;
use Yposta\Core\Remedy\TriedRemedy;
use Yposta\Core\Shortage\NeedState;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Trial\Trial;

/**
 * KIT and KITB are made of one CELL and two LEGs. Order M1 (urgent) needs 10 cells on 03-09, of which the stock, held for the less urgent
 * M2, has none left; P1 brings them on 03-11. LEG, of which there is enough unless a test says so, has a substitute and a second, faster
 * supplier; stock of CELL stands at the depot.
 */
function workshop(array $files = []): Contents
{
    return Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\n",
        'sites' => "site,calendar\nMAIN,WORK\nDEPOT,WORK\n",
        'suppliers' => "supplier\nSUP\nFAST\n",
        'items' => "item,name,unit,decimals,phantom,unit_cost\nKIT,Kit,pcs,0,0,90\nKITB,Kit in blue,pcs,0,0,90\nCELL,Cell,pcs,0,0,40\nLEG,Leg,pcs,0,0,3\nLEGB,Leg of brass,pcs,0,0,5\nCASE,Case,pcs,0,0,7\n",
        'planning' => "item,site,supply,lead_days,supplier,from_site\nKIT,MAIN,make,3,,\nKITB,MAIN,make,3,,\nCELL,MAIN,buy,12,SUP,\nLEG,MAIN,buy,8,SUP,\nCASE,DEPOT,transfer,2,,MAIN\nCASE,MAIN,buy,4,SUP,\n",
        'supplier_items' => "supplier,item,lead_days,min_qty,multiple,rank\nSUP,CELL,12,,,1\nSUP,LEG,8,,,1\nFAST,LEG,2,24,6,2\n",
        'substitutes' => "item,component,substitute,ratio,rank\nKIT,LEG,LEGB,2,1\nKITB,LEG,LEGB,2,1\n",
        'bom' => "item,line,component,qty\nKIT,10,CELL,1\nKIT,20,LEG,2\nKITB,10,CELL,1\nKITB,20,LEG,2\n",
        'stock' => "item,site,qty\nCELL,MAIN,10\nCELL,DEPOT,6\nLEG,MAIN,50\nLEGB,MAIN,9\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\nM1,make,firm,KIT,MAIN,,10,2026-03-09,2026-03-12,2\nM2,make,firm,KITB,MAIN,,10,2026-03-09,2026-03-12,8\nP1,buy,released,CELL,MAIN,SUP,10,,2026-03-11,5\n",
        'sales' => "order,line,item,site,qty,due,customer,priority\nS1,1,KIT,MAIN,10,2026-03-12,Hollowmere Water,2\nS2,1,KITB,MAIN,10,2026-03-12,Service desk,8\n",
        'allocations' => "demand,supply,qty\npart:M2/10,stock:CELL@MAIN,10\n",
        ...$files,
    ]);
}

/** The workshop with 30 legs, 10 too few. */
function few(): Trial
{
    $contents = workshop(['stock' => "item,site,qty\nCELL,MAIN,10\nLEG,MAIN,30\nLEGB,MAIN,9\n"]);

    return new Trial($contents->network, $contents->options);
}

/** @return array<string, TriedRemedy> by kind, the first of each */
function remedies(Trial $trial, string $identity): array
{
    $found = iterator_to_array((new Remedies($trial))->for($identity), false);
    usort($found, fn (TriedRemedy $a, TriedRemedy $b) => $a->cost() <=> $b->cost());
    $byKind = [];
    foreach ($found as $tried) {
        $byKind[$tried->remedy->kind()->value] ??= $tried;
    }

    return $byKind;
}

/** What a remedy says. */
function inWords(TriedRemedy $tried): string
{
    $words = Support::english()->on(Day::parse('2026-03-02'));

    return "{$words->say($tried->remedy->title())}. {$words->say($tried->remedy->note())}";
}

function needsOf(Trial $trial, int $days = 14, bool $countUnsent = true): array
{
    return $trial->with([], function (Plan $plan) use ($days, $countUnsent): array {
        $rows = [];
        $shortages = new Shortages($plan, $countUnsent);
        foreach ($shortages->until($plan->options->planDate + $days) as $need) {
            $rows[$need->identity] = [
                'state' => $need->state, 'short' => $need->short,
                'orderBy' => $need->orderBy === null ? null : Day::format($need->orderBy),
                'ends' => array_map(fn ($end) => $end->reference(), $shortages->ends($need)),
            ];
        }

        return $rows;
    });
}

beforeEach(function () {
    $contents = workshop();
    $this->trial = new Trial($contents->network, $contents->options);
});

it('sorts needs by what they wait for', function () {
    $needs = needsOf($this->trial);

    expect($needs['part:M1/10'])->toBe(['state' => NeedState::Waiting, 'short' => 10_000_000, 'orderBy' => null, 'ends' => ['sales:S1/1']])
        ->and($needs['part:M2/10']['state'])->toBe(NeedState::Covered)->and($needs['part:M2/10']['short'])->toBe(0)
        ->and($needs['sales:S1/1']['state'])->toBe(NeedState::Waiting);
    // 30 legs serve M1 and half of M2; the rest is bought in 8 days, for 03-09: too late to order
    $needs = needsOf(few());
    expect($needs['part:M1/20']['state'])->toBe(NeedState::Covered)
        ->and($needs['part:M2/20'])->toMatchArray(['state' => NeedState::Passed, 'short' => 10_000_000, 'orderBy' => '2026-02-25']);
});

it('counts what can still be ordered in time, and unsent purchases only on wish', function () {
    $contents = workshop([
        'orders' => "order,kind,status,item,site,supplier,qty,start,due\nM1,make,firm,KIT,MAIN,,10,2026-03-17,2026-03-20\nP1,buy,firm,CELL,MAIN,SUP,10,,2026-03-11\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,KIT,MAIN,10,2026-03-20\n", 'allocations' => "demand,supply,qty\n",
        'stock' => "item,site,qty\nLEG,MAIN,5\n",
    ]);
    $trial = new Trial($contents->network, $contents->options);

    expect(needsOf($trial, 21)['part:M1/10']['state'])->toBe(NeedState::Covered)
        ->and(needsOf($trial, 21, false)['part:M1/10']['state'])->toBe(NeedState::OrderNow)
        ->and(needsOf($trial, 21)['part:M1/20'])->toMatchArray([
            'state' => NeedState::OrderNow,
            'short' => 15_000_000,
            'orderBy' => '2026-03-05',
        ])
        ->and(needsOf($trial, 10))->not->toHaveKey('part:M1/20');
});

it('takes from the less urgent, and tells who slips', function () {
    $take = remedies($this->trial, 'part:M1/10')['take_from'];
    $hurt = array_values(array_filter($take->effect->lines, fn ($slip) => $slip->hurts()));

    expect($take->solves)->toBeTrue()->and(inWords($take))->toBe('Take 10 pcs from M2. Holds stock for this need.')
        ->and(count($hurt))->toBe(1)->and($hurt[0]->arrival()->reference)->toBe('sales:S2/1')->and($hurt[0]->days())->toBe(4)
        ->and($take->effect->figures['lateLines'])->toBe([1, 1]);
});

it('never takes from the more urgent', function () {
    $contents = workshop([
        'orders' => "order,kind,status,item,site,supplier,qty,start,due,priority\nM1,make,firm,KIT,MAIN,,10,2026-03-09,2026-03-12,8\nM2,make,firm,KITB,MAIN,,10,2026-03-09,2026-03-12,2\nP1,buy,released,CELL,MAIN,SUP,10,,2026-03-11,5\n",
    ]);

    expect(remedies(new Trial($contents->network, $contents->options), 'part:M1/10'))->not->toHaveKey('take_from')->toHaveKey('pull_in');
});

it('pulls a purchase in, moves the order, or tells the customer', function () {
    $found = remedies($this->trial, 'part:M1/10');

    expect(array_keys($found))->toContain('pull_in', 'move_order')
        ->and($found['pull_in']->solves)->toBeTrue()->and($found['pull_in']->effect->change('lateLines'))->toBe(-1)->and(inWords($found['pull_in']))->toBe('Pull P1 in to Mon 9 Mar. 2 days earlier; SUP has to agree.')
        ->and(inWords($found['move_order']))->toBe('Move M1 to Mon 16 Mar. It waits 4 days for its material.')->and($found['move_order']->solves)->toBeTrue();
    $line = remedies($this->trial, 'sales:S1/1')['move_line'];
    expect(inWords($line))->toBe('Promise S1/1 for Mon 16 Mar. The customer has to be told: 4 days later.')->and($line->solves)->toBeTrue();
});

it('uses a substitute as far as it is on stock, by its ratio', function () {
    $substitute = remedies(few(), 'part:M2/20')['substitute'];

    // 9 of brass at 2 for 1 stand for 4 of 10
    expect(inWords($substitute))->toBe('Use LEGB for 4 pcs. Allowed here in place of LEG; 9 free on stock.')->and($substitute->solves)
        ->toBeFalse()->and($substitute->short)->toBe(6_000_000);
});

it('buys from a faster supplier, in what that one sells', function () {
    $faster = remedies(few(), 'part:M2/20')['other_supplier'];

    expect(inWords($faster))->toBe('Buy 24 pcs from FAST. Can be there Mon 9 Mar; its lead time is 2 working days.')->and($faster->solves)
        ->toBeTrue();
});

it('orders in a hurry what is proposed too late', function () {
    $hurry = remedies(few(), 'part:M2/20')['hurry'];

    expect($hurry->solves)->toBeTrue()->and(inWords($hurry))
        ->toBe('Order 10 pcs now, in a hurry. SUP has to deliver by Mon 9 Mar, 3 days faster than usual.')
        ->and(Support::english()->say($hurry->remedy->letter()))->toStartWith('Dear SUP, we need 10 pcs of LEG by');
});

it('fetches what is free at another site, by the way that goods take', function () {
    $transfer = remedies($this->trial, 'part:M1/10')['transfer'];

    expect(inWords($transfer))->toBe('Move 6 pcs here from DEPOT. Free on stock there; here Wed 4 Mar.')->and($transfer->solves)
        ->toBeFalse()->and($transfer->short)->toBe(4_000_000);
});

it('splits an order that is covered in part', function () {
    $contents = workshop(['allocations' => "demand,supply,qty\npart:M2/10,stock:CELL@MAIN,4\npart:M1/10,stock:CELL@MAIN,6\n"]);
    $split = remedies(new Trial($contents->network, $contents->options), 'part:M1/10')['split'];

    expect(inWords($split))->toBe('Split M1: build 6 pcs now. The rest follows Mon 16 Mar, when its material is there.')
        ->and($split->solves)->toBeTrue();
});

it('makes an order of a proposal before something of it is changed', function () {
    $contents = workshop([
        'orders' => "order,kind,status,item,site,supplier,qty,start,due\nP1,buy,released,CELL,MAIN,SUP,10,,2026-03-30\n",
        'allocations' => "demand,supply,qty\n",
        'stock' => "item,site,qty\nCELL,MAIN,20\nLEG,MAIN,36\nLEGB,MAIN,9\n",
    ]);
    $trial = new Trial($contents->network, $contents->options);
    $short = array_keys(array_filter(needsOf($trial), fn (array $need) => $need['state'] === NeedState::Passed));
    $substitute = remedies($trial, $short[0])['substitute'];

    expect($short)->toBe(['part:proposal:KITB@MAIN:20524:10000000:20:20000000'])
        ->and($substitute->remedy->changes)->toHaveCount(2)->and($substitute->remedy->about())->toBe(['part:new:1/20', 'part:new:1/20.S1'])
        ->and($substitute->solves)->toBeTrue();
});

it('tells nothing that does not help, and nothing about a need that is not there', function () {
    foreach ((new Remedies($this->trial))->for('part:M1/10') as $tried) {
        expect($tried->solves
            || $tried->effect->change('lateDays') < 0
            || $tried->expected < Day::parse('2026-03-11')
            || $tried->short < 10_000_000)->toBeTrue();
    }
    expect(iterator_to_array((new Remedies($this->trial))->for('part:M9/10'), false))->toBe([]);
});

it('leaves the plan as it was', function () {
    $before = $this->trial->outcome();
    remedies($this->trial, 'part:M1/10');
    $after = $this->trial->with(
        [],
        fn (Plan $plan) => [Support::rows($plan, 'proposals.csv'), Support::rows($plan, 'pegs.csv'), Support::rows($plan, 'demands.csv')],
    );
    $fresh = Support::plan(workshop());

    expect($after)->toBe([Support::rows($fresh, 'proposals.csv'), Support::rows($fresh, 'pegs.csv'), Support::rows($fresh, 'demands.csv')])
        ->and($this->trial->outcome())->toBe($before);
});
