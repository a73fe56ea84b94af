<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\RandomChange;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Study\CancelOrder;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\Trial;

beforeEach(function () {
    $this->contents = Support::small([
        'items' => "item,name,unit,decimals,phantom,unit_cost\nHEAD,Head,pcs,0,0,10\nROD,Rod,pcs,0,0,2\n",
        'planning' => "item,site,supply,lead_days,supplier\nHEAD,MAIN,make,2,\nROD,MAIN,buy,5,SUP\n",
        'bom' => "item,line,component,qty\nHEAD,10,ROD,1\n",
        'orders' => "order,kind,status,item,site,supplier,qty,due\nM1,make,firm,HEAD,MAIN,,10,2026-03-12\nP1,buy,released,ROD,MAIN,SUP,10,2026-03-10\n",
        'sales' => "order,line,item,site,qty,due,customer\nS1,1,HEAD,MAIN,10,2026-03-12,Pier 9 Supply\n",
    ]);
    $this->trial = new Trial($this->contents->network, $this->contents->options);
    $this->rows = fn (Trial $trial) => $trial->with(
        [],
        fn (Plan $plan) => array_map(
            fn ($file) => Support::rows($plan, $file),
            ['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv'],
        ),
    );
});

it('tells what a change does to customers, orders and totals', function () {
    $effect = $this->trial->effect([new MoveOrder('P1', Day::parse('2026-03-12'))]);

    expect($effect->figures['lateLines'])->toBe([0, 1])->and($effect->change('lateDays'))->toBe(4)->and($effect->hurtDays())->toBe(4)
        ->and(array_map(
            fn ($slip) => [$slip->arrival()->reference, $slip->days(), $slip->hurts()],
            $effect->lines,
        ))->toBe([['sales:S1/1', 4, true]])
        ->and(array_map(
            fn ($slip) => [$slip->arrival()->reference, $slip->days(), $slip->hurts()],
            $effect->orders,
        ))->toBe([['order:M1', 4, true], ['order:P1', 2, false]])
        ->and($effect->orders[0]->arrival()->need)->toBe('part:M1/10');
});

it('counts purchases that have to be added and moved', function () {
    $effect = $this->trial->effect([new CancelOrder('P1')]);
    expect($effect->figures['purchases'])->toBe([0, 1]);
    $effect = $this->trial->effect([new ChangeSalesLine('S1', '1', due: Day::parse('2026-04-10')), new CancelOrder('M1')]);
    expect($effect->figures['moves'])->toBe([0, 1]);
});

it('tells what each line does on top of those before, and which do not fit', function () {
    $tried = $this->trial->tries([
        [new MoveOrder('P1', Day::parse('2026-03-12'))],
        [new CancelOrder('GHOST')],
        [
            new PutOrder(OpenOrder::of(
                code: 'new:1',
                kind: OrderKind::Buy,
                status: OrderStatus::Firm,
                item: 'ROD',
                site: 'MAIN',
                qty: 10_000_000,
                due: Day::parse('2026-03-09'),
                supplier: 'SUP',
            )),
            new CancelOrder('P1'),
        ],
    ]);

    expect(array_map(Support::english()->say(...), $tried->troubles))->toBe([1 => 'there is no open order GHOST'])
        ->and($tried->own[0]->change('lateLines'))->toBe(1)->and($tried->own[2]->change('lateLines'))->toBe(-1)
        ->and($tried->effect->change('lateLines'))->toBe(0)->and($tried->own)->not->toHaveKey(1);
});

it('leaves a line out as a whole when a part of it does not fit', function () {
    $tried = $this->trial->tries([[new MoveOrder('P1', Day::parse('2026-03-20')), new CancelOrder('GHOST')]]);

    expect($tried->effect->lines)->toBe([])->and(array_keys($tried->troubles))->toBe([0]);
});

it('stands where it stood after a try, a refusal and a number out of range', function () {
    $before = ($this->rows)($this->trial);
    $this->trial->tries([[new MoveOrder('P1', Day::parse('2026-03-20'))], [new ChangePlanning('ROD', 'MAIN', ['leadDays' => 20])]]);
    expect(fn () => $this->trial->effect([new CancelOrder('GHOST')]))->toThrow(DoesNotFit::class)
        ->and(fn () => $this->trial->effect([
            new ChangeSalesLine('S1', '1', 9_000_000_000_000 * 1_000_000),
            new ChangePlanning('HEAD', 'MAIN', ['minQty' => 9_000_000_000_000 * 1_000_000, 'multiple' => 8_000_000_000_000 * 1_000_000]),
        ]))->toThrow(DoesNotFit::class)
        ->and(($this->rows)($this->trial))->toBe($before);
});

it('tries on top of where it was settled', function () {
    $network = (new MoveOrder('P1', Day::parse('2026-03-12')))->apply($this->trial->network());
    $this->trial->settle($network);

    expect($this->trial->outcome()->figures['lateLines'])->toBe(1)
        ->and($this->trial->effect([new MoveOrder('P1', Day::parse('2026-03-10'))])->change('lateLines'))->toBe(-1);
});

it('tries again only what comes after what it has tried, and says the same', function (array $steps) {
    $all = [
        'late' => [new MoveOrder('P1', Day::parse('2026-03-12'))],
        'ghost' => [new CancelOrder('GHOST')],
        'more' => [new PutOrder(OpenOrder::of(
            code: 'new:1',
            kind: OrderKind::Buy,
            status: OrderStatus::Firm,
            item: 'ROD',
            site: 'MAIN',
            qty: 4_000_000,
            due: Day::parse('2026-03-09'),
            supplier: 'SUP',
        ))],
        'gone' => [new CancelOrder('P1')],
        'later' => [new ChangeSalesLine('S1', '1', due: Day::parse('2026-03-20'))],
    ];
    $known = null;
    foreach ($steps as $names) {
        $lines = array_map(fn (string $name) => $all[$name], $names);
        $fresh = new Trial($this->contents->network, $this->contents->options);
        $tried = $this->trial->tries($lines, $known);
        $known = unserialize(serialize($tried->lines)); // as it is kept

        expect($tried)->toEqual($fresh->tries($lines));
    }
})->with([
    'growing' => [[['late'], ['late', 'ghost'], ['late', 'ghost', 'more'], ['late', 'ghost', 'more', 'later']]],
    'shrinking' => [[['late', 'ghost', 'gone'], ['late', 'ghost'], ['late'], [], ['later']]],
    'dropped in the middle' => [[['late', 'more', 'later'], ['late', 'later'], ['more', 'later'], ['late', 'more', 'later']]],
]);

it('believes what is known and tries only the rest', function () {
    $late = [new MoveOrder('P1', Day::parse('2026-03-12'))];
    $told = $this->trial->tries([$late])->lines;
    $wrong = $told->upTo([])->with($late, null, new Phrase('no_order'));

    expect($this->trial->tries([$late, [new CancelOrder('GHOST')]], $wrong)->effect->change('lateLines'))->toBe(0)
        ->and($this->trial->tries([$late, [new CancelOrder('GHOST')]], $told)->effect->change('lateLines'))->toBe(1);
});

it('says of random changes what whole runs say, and finds its way back', function (int $seed) {
    $contents = Support::bundle((new RandomBundle($seed, 40))->files());
    $random = new RandomChange(new Randomizer(new Mt19937($seed)));
    $trial = new Trial($contents->network, $contents->options);
    $before = ($this->rows)($trial);
    $ground = $network = $contents->network;
    for ($step = 0; $step < 8; $step++) {
        $network = $random->to($network);
        $trial->settle($network);
        expect($trial->outcome())->toEqual(
            Outcome::of((new Planner)->plan($network, $contents->options)),
            "seed {$seed}, step {$step}: {$random->last}",
        );
    }
    $trial->settle($ground);
    expect(($this->rows)($trial))->toBe($before);
})->with(range(401, 408));
