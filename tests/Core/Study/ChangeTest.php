<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Calendar\Day;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Planner;
use Yposta\Core\Study\CancelOrder;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PinOrder;
use Yposta\Core\Study\PrioritiseOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Study\ScaleDemand;
use Yposta\Core\Study\SplitOrder;
use Yposta\Core\Study\SwapComponent;
use Yposta\Core\Study\WorkDays;

/** HEAD is made of two BODY and glue, BODY is bought; one order of each, one of them with component rows. */
function shop(): Contents
{
    return Support::small([
        'items' => "item,name,unit,decimals\nHEAD,Head,pcs,0\nBODY,Body,pcs,0\nBODY2,Body of brass,pcs,0\nGLUE,Glue,kg,3\n",
        'planning' => "item,site,supply,lead_days,supplier,safety_stock\nHEAD,MAIN,make,2,,\nBODY,MAIN,buy,5,SUP,3\nGLUE,MAIN,buy,3,SUP,\n",
        'supplier_items' => "supplier,item,lead_days,rank\nSUP,BODY,6,1\n",
        'bom' => "item,line,component,qty\nHEAD,10,BODY,2\nHEAD,20,GLUE,0.25\n",
        'stock' => "item,site,qty\nHEAD,MAIN,4\nBODY,MAIN,30\n",
        'sales' => "order,line,item,site,qty,due,customer,priority\nA,1,HEAD,MAIN,20,2026-03-16,Isle Survey,3\nB,1,HEAD,MAIN,9,2026-03-24,Hollowmere Water,5\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nBASE,HEAD,MAIN,week,2026-04-06,12\n",
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\nforecasts,BASE\n",
        'orders' => "order,kind,status,item,site,supplier,qty,received,start,due\nM1,make,firm,HEAD,MAIN,,12,,2026-03-10,2026-03-12\nM2,make,firm,HEAD,MAIN,,6,,,2026-03-20\nM3,make,firm,HEAD,MAIN,,2,,2026-02-26,2026-03-02\nP1,buy,released,BODY,MAIN,SUP,40,,,2026-03-25\n",
        'order_components' => "order,line,item,qty,issued,need\nM1,10,BODY,24,4,2026-03-10\nM1,20,GLUE,3,0,2026-03-11\n",
        'allocations' => "demand,supply,qty\nsales:B/1,stock:HEAD@MAIN,2\n",
    ]);
}

function planned(Network $network): array
{
    $plan = (new Planner)->plan($network, shop()->options);

    return array_map(
        fn (string $file) => Support::rows($plan, $file),
        ['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv', 'buckets.csv'],
    );
}

dataset('changes', [
    'move' => [new MoveOrder('M1', Day::parse('2026-03-19'))],
    'move with a start' => [new MoveOrder('M1', Day::parse('2026-03-19'), Day::parse('2026-03-13'))],
    'move a purchase' => [new MoveOrder('P1', Day::parse('2026-03-26'))],
    'resize' => [new ResizeOrder('M1', 20_000_000)],
    'split' => [new SplitOrder('M1', 5_000_000, Day::parse('2026-03-24'), 'M1-2')],
    'split without rows' => [new SplitOrder('M2', 2_000_000, Day::parse('2026-03-27'), 'M2-2')],
    'cancel' => [new CancelOrder('M2')],
    'cancel a purchase' => [new CancelOrder('P1')],
    'pin' => [new PinOrder('P1', true)],
    'release' => [new ReleaseOrder('M3')],
    'prioritise' => [new PrioritiseOrder('M2', 1)],
    'swap' => [new SwapComponent('M1', '10', 'BODY2')],
    'swap a part' => [new SwapComponent('M1', '10', 'BODY2', 2_000_000, 6_000_000)],
    'swap where the structure tells' => [new SwapComponent('M2', '10', 'BODY2')],
    'hold' => [new HoldSupply('sales:B/1', 'stock:HEAD@MAIN', 3_000_000)],
    'free' => [new FreeSupply('sales:B/1', 'stock:HEAD@MAIN')],
    'sales line' => [new ChangeSalesLine('A', '1', 25_000_000, Day::parse('2026-03-12'), 1)],
    'convert' => [new PutOrder(OpenOrder::of(
        status: OrderStatus::Firm,
        code: 'M9',
        kind: OrderKind::Make,
        item: 'HEAD',
        site: 'MAIN',
        qty: 7_000_000,
        due: Day::parse('2026-03-26'),
    ))],
    'buy what is made' => [new PutOrder(OpenOrder::of(
        status: OrderStatus::Firm,
        code: 'P9',
        kind: OrderKind::Buy,
        item: 'HEAD',
        site: 'MAIN',
        qty: 7_000_000,
        due: Day::parse('2026-03-26'),
        supplier: 'SUP',
    ))],
    'stock' => [new ChangeStock('BODY', 'MAIN', 0)],
    'stock where there was none' => [new ChangeStock('GLUE', 'MAIN', 1_500_000)],
    'planning' => [new ChangePlanning(
        'BODY',
        'MAIN',
        ['leadDays' => 1, 'safetyStock' => 10_000_000, 'lotRule' => LotRule::Fixed, 'fixedQty' => 50_000_000],
    )],
    'demand' => [new ScaleDemand(120)],
    'demand of a customer' => [new ScaleDemand(50, ['HEAD'], ['Isle Survey'])],
    'closed days' => [new WorkDays('WORK', Day::parse('2026-03-11'), Day::parse('2026-03-13'))],
    'worked days' => [new WorkDays('WORK', Day::parse('2026-03-07'), Day::parse('2026-03-08'), true)],
]);

it('changes the plan, and what takes it back gives the old plan', function (Change $change) {
    $network = shop()->network;
    $changed = $change->apply($network);
    $back = (new Changes($change->inverse($network)))->apply($changed);

    expect(planned($changed))->not->toBe(planned($network))->and(planned($back))->toBe(planned($network));
})->with('changes');

it('can be kept as plain fields, and what takes it back too', function (Change $change) {
    foreach ([$change, ...$change->inverse(shop()->network)] as $one) {
        $kept = json_decode((string) json_encode(ChangeCodec::encode($one)), true);

        expect(ChangeCodec::decode($kept))->toEqual($one);
    }
})->with('changes');

it('is netted alone as a whole run nets it', function (Change $change) {
    $contents = shop();
    $changed = $change->apply($contents->network);
    $plan = NetChange::plan((new Planner)->plan($contents->network, $contents->options), $changed);

    expect(array_map(
        fn (string $file) => Support::rows($plan, $file),
        ['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv', 'buckets.csv'],
    ))->toBe(planned($changed));
})->with('changes');

it('does what it says', function () {
    $network = shop()->network;
    $moved = (new MoveOrder('M1', Day::parse('2026-03-19')))->apply($network);
    expect(Day::format((int) $moved->orders['M1']->start))->toBe('2026-03-17')
        ->and(array_map(fn ($row) => Day::format((int) $row->need), $moved->components))->toBe(['2026-03-17', '2026-03-18']);

    $resized = (new ResizeOrder('M1', 1_000_000))->apply($network);
    expect(array_column($resized->components, 'qty'))->toBe([4_000_000, 250_000]);

    $split = (new SplitOrder('M1', 5_000_000, Day::parse('2026-03-24'), 'M1-2'))->apply($network);
    expect([$split->orders['M1']->qty, $split->orders['M1-2']->qty])->toBe([5_000_000, 7_000_000])
        ->and(Day::format((int) $split->orders['M1-2']->start))->toBe('2026-03-20')
        ->and(array_map(
            fn ($row) => "{$row->order} {$row->item} {$row->qty} {$row->issued}",
            $split->components,
        ))->toBe(['M1 BODY 10000000 4000000', 'M1 GLUE 1250000 0', 'M1-2 BODY 14000000 0', 'M1-2 GLUE 1750000 0']);

    $swapped = (new SwapComponent('M1', '10', 'BODY2', 2_000_000, 6_000_000))->apply($network);
    expect(array_map(
        fn ($row) => "{$row->line} {$row->item} {$row->qty} {$row->issued}",
        $swapped->components,
    ))->toBe(['10 BODY 18000000 4000000', '10.S1 BODY2 12000000 0', '20 GLUE 3000000 0']);

    $written = (new SwapComponent('M2', '10', 'BODY2'))->apply($network);
    expect(array_map(
        fn ($row) => "{$row->order} {$row->line} {$row->item} {$row->qty}",
        array_slice($written->components, 2),
    ))->toBe(['M2 10.S1 BODY2 12000000', 'M2 20 GLUE 1500000']);

    expect((new ChangePlanning('BODY', 'MAIN', ['leadDays' => 1]))->apply($network)->supplierItems[0]->leadDays)->toBe(1)
        ->and(array_column((new ScaleDemand(50, [], ['Isle Survey']))->apply($network)->sales, 'qty'))->toBe([10_000_000, 9_000_000])
        ->and((new ScaleDemand(120))->apply($network)->forecasts[0]->qty)->toBe(15_000_000);
});

it('refuses what does not fit, and says why', function (Change $change, string $why) {
    expect(Support::refusal(fn () => $change->apply(shop()->network)))->toContain($why);
})->with([
    [new MoveOrder('M7', 0), 'there is no open order M7'],
    [new MoveOrder('M1', Day::parse('2026-03-12'), Day::parse('2026-03-13')), 'would start after it is due'],
    [
        new PutOrder(OpenOrder::of(status: OrderStatus::Firm, code: 'X', kind: OrderKind::Buy, item: 'BODY', site: 'MAIN', qty: 1, due: 0)),
        'more decimals than the item, which has 0',
    ],
    [
        new PutOrder(OpenOrder::of(status: OrderStatus::Firm, code: 'X', kind: OrderKind::Buy, item: 'BODY', site: 'MAIN', qty: 0, due: 0)),
        'of a quantity above 0',
    ],
    [
        new PutOrder(OpenOrder::of(
            status: OrderStatus::Firm,
            code: 'X',
            kind: OrderKind::Buy,
            item: 'BODY',
            site: 'MAIN',
            qty: 1_000_000,
            due: 0,
            start: 1,
        )),
        'would start after it is due',
    ],
    [new ReleaseOrder('P1'), 'released already'],
    [new HoldSupply('part:M1/99', 'stock:BODY@MAIN', 1), 'has no component 99'],
    [new HoldSupply('sales:Z/1', 'stock:BODY@MAIN', 1), 'there is no sales line Z/1'],
    [new HoldSupply('sales:A/1', 'stock:BODY@MAIN', 1), 'needs HEAD@MAIN'],
    [new ResizeOrder('M1', 0), 'must keep a quantity above 0'],
    [new ResizeOrder('M1', 1_500_000), 'HEAD has 0 decimals'],
    [new SplitOrder('M1', 12_000_000, 0, 'X'), 'order M1 of 12 cannot keep 12'],
    [new SplitOrder('M1', 1_000_000, 0, 'M2'), 'there is an order M2 already'],
    [new CancelOrder('M1'), 'order M1 has been issued BODY already'],
    [
        new PutOrder(OpenOrder::of(
            status: OrderStatus::Firm,
            code: 'M1',
            kind: OrderKind::Make,
            item: 'HEAD',
            site: 'MAIN',
            qty: 1,
            due: 1,
        )),
        'there is an order M1 already',
    ],
    [
        new PutOrder(OpenOrder::of(
            status: OrderStatus::Firm,
            code: 'X',
            kind: OrderKind::Make,
            item: 'NONE',
            site: 'MAIN',
            qty: 1,
            due: 1,
        )),
        'there is no NONE at MAIN',
    ],
    [
        new PutOrder(OpenOrder::of(
            status: OrderStatus::Firm,
            code: 'X',
            kind: OrderKind::Buy,
            item: 'BODY',
            site: 'MAIN',
            qty: 1_000_000,
            due: 1,
            supplier: 'Y',
        )),
        "there is no supplier 'Y'",
    ],
    [new SwapComponent('M1', '30', 'BODY2'), 'needs nothing more on its line 30'],
    [new SwapComponent('M1', '10', 'NONE'), 'there is no item NONE'],
    [new HoldSupply('sales:A/1', 'proposal:1', 1), 'only stock and open orders can be held'],
    [new HoldSupply('sales:A/1', 'order:M1', 0), 'a quantity above 0'],
    [new FreeSupply('sales:A/1', 'order:M1'), 'nothing of M1 is held for A/1'],
    [new ChangeSalesLine('C', '1', 1), 'there is no sales line C/1'],
    [new ChangeSalesLine('A', '1', priority: 10), 'a priority is from 1 to 9'],
    [new ChangeStock('HEAD', 'MAIN', -1), 'a stock is not below 0'],
    [new ChangePlanning('BODY', 'MAIN', ['supply' => OrderKind::Transfer]), 'needs the site that it comes from'],
    [new ChangePlanning('BODY', 'MAIN', ['lotRule' => LotRule::Fixed]), 'the rule fixed needs a quantity'],
    [new ChangePlanning('BODY', 'MAIN', ['leadDays' => -1]), 'not a whole number from 0 to 10,000'],
    [new ScaleDemand(-1), 'from 0 to 10,000 percent'],
    [new ScaleDemand(100, ['NONE']), 'there is no item NONE'],
    [new ScaleDemand(100, [], ['Nobody']), 'there is no sales line of Nobody'],
    [new WorkDays('NONE', 1, 2), 'there is no calendar NONE'],
    [new WorkDays('WORK', 2, 1), 'the last day is before the first'],
]);

it('applies what fits of a list and tells of the rest', function () {
    [$network, $troubles] = (new Changes([
        new MoveOrder('M7', 0),
        new ResizeOrder('M2', 3_000_000),
        new CancelOrder('M1'),
    ]))->applyWhatFits(shop()->network);

    expect($network->orders['M2']->qty)->toBe(3_000_000)->and(array_map(Support::english()->say(...), $troubles))
        ->toBe([0 => 'there is no open order M7', 2 => 'order M1 has been issued BODY already']);
});

it('takes a list back in the other direction', function () {
    $network = shop()->network;
    $changes = new Changes([
        new ResizeOrder('M2', 3_000_000),
        new SplitOrder('M2', 1_000_000, Day::parse('2026-03-30'), 'M2-2'),
        new MoveOrder('M2-2', Day::parse('2026-04-02')),
    ]);

    expect(planned((new Changes($changes->inverse($network)))->apply($changes->apply($network))))->toBe(planned($network));
});

it('refuses fields that are no change', function (array $fields, string $why) {
    expect(Support::refusal(fn () => ChangeCodec::decode($fields)))->toContain($why);
})->with([
    [[], 'this kind of change is not known'],
    [['change' => ['move_order']], 'this kind of change is not known'],
    [['change' => 'move_order', 'order' => 'M1'], 'the field due is missing'],
    [['change' => 'move_order', 'order' => 'M1', 'due' => 'soon'], "'soon' is not a date"],
    [['change' => 'move_order', 'order' => 'M1', 'due' => 20500], 'due: is not what it should be'],
    [['change' => 'move_order', 'order' => 7, 'due' => '2026-03-03'], 'order: is not what it should be'],
    [['change' => 'resize_order', 'order' => 'M1', 'qty' => 'much'], "qty: 'much' is not a number"],
    [['change' => 'pin_order', 'order' => 'M1', 'pinned' => 'yes'], 'pinned: is not what it should be'],
    [['change' => 'pin_order', 'order' => 'M1', 'pinned' => true, 'colour' => 'red'], 'the field colour is not known'],
    [['change' => 'scale_demand', 'percent' => 120, 'items' => [['x']]], 'items: is not what it should be'],
]);
