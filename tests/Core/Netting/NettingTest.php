<?php

declare(strict_types=1);

use Tests\Support;

/** A bought item X at MAIN with lead time 2 and the planning columns given. */
function bought(string $columns, string $values, string $sales, array $more = []): array
{
    return [
        'items' => "item\nX\n", 'planning' => "item,site,supply,supplier,lead_days,{$columns}\nX,MAIN,buy,SUP,2,{$values}\n",
        'sales' => "order,line,item,site,qty,due,priority\n{$sales}", ...$more,
    ];
}

it('makes lots by the rule and its modifiers', function (string $columns, string $values, string $qty, array $lots) {
    $proposals = Support::proposals(bought($columns, $values, "S1,1,X,MAIN,{$qty},2026-03-12,5\n"));

    expect(array_map(fn (string $proposal) => (int) explode(' ', $proposal)[1], $proposals))->toBe($lots);
})->with([
    'as needed' => ['safety_stock', '0', '7', [7]],
    'at least' => ['min_qty', '20', '7', [20]],
    'multiple' => ['multiple', '6', '7', [12]],
    'at least, then multiple' => ['min_qty,multiple', '20,6', '7', [24]],
    'at most' => ['max_qty', '10', '25', [10, 10, 5]],
    'at most, rounded down to the multiple' => ['max_qty,multiple', '10,4', '25', [8, 8, 8, 4]],
    'at most, the last again at least' => ['max_qty,min_qty', '10,6', '21', [10, 10, 6]],
    'at most below the multiple does not split' => ['max_qty,multiple', '3,4', '25', [28]],
    'fixed' => ['lot_rule,fixed_qty', 'fixed,10', '25', [10, 10, 10]],
    'fixed takes no modifiers' => ['lot_rule,fixed_qty,min_qty,multiple', 'fixed,10,50,7', '5', [10]],
    'up to the maximum' => ['lot_rule,stock_min,stock_max', 'min_max,5,100', '25', [100]],
    'per order' => ['lot_rule', 'per_order', '25', [25]],
]);

it('counts the stock of a min-max point on the plan date already', function () {
    $files = bought(
        'lot_rule,stock_min,stock_max', 'min_max,5,100', "S1,1,X,MAIN,25,2026-03-12,5\n",
        ['stock' => "item,site,qty\nX,MAIN,10\n"],
    );

    expect(Support::proposals($files))->toBe(['buy 115 X 2026-03-10 2026-03-12']);
});

it('lets the supplier item replace least and multiple, an explicit 0 meaning none', function () {
    $files = bought(
        'min_qty,multiple', '50,50', "S1,1,X,MAIN,7,2026-03-12,5\n",
        ['supplier_items' => "supplier,item,lead_days,min_qty,multiple\nSUP,X,4,0,6\n"],
    );

    expect(Support::proposals($files))->toBe(['buy 12 X 2026-03-06 2026-03-12']);
});

it('takes the supplier of the lowest rank, then of the first name, where the point names none', function () {
    $plan = Support::plan(Support::small([
        'items' => "item\nX\n", 'suppliers' => "supplier\nA\nB\nC\n", 'planning' => "item,site,supply\nX,MAIN,buy\n",
        'supplier_items' => "supplier,item,rank\nA,X,2\nC,X,1\nB,X,1\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,X,MAIN,1,2026-03-12\n",
    ]));

    expect($plan->proposals()[0]->supplier)->toBe('B');
});

it('reckons a supplier\'s lead time in the supplier\'s calendar', function () {
    $files = bought(
        'safety_stock', '0', "S1,1,X,MAIN,7,2026-03-12,5\n",
        ['calendars' => "calendar,weekdays\nWORK,12345\nMON,1\n", 'suppliers' => "supplier,calendar\nSUP,MON\n"],
    );

    expect(Support::proposals($files))->toBe(['buy 7 X 2026-02-23 2026-03-12'])
        ->and(Support::messages($files))->toContain('start_passed proposal:1 2026-03-12 2026-03-16 7');
});

it('keeps the safety stock and brings needs forward by the safety days', function () {
    $files = bought('safety_stock,safety_days', '4,2', "S1,1,X,MAIN,7,2026-03-12,5\n", ['stock' => "item,site,qty\nX,MAIN,4\n"]);

    expect(Support::proposals($files))->toBe(['buy 7 X 2026-03-06 2026-03-10']);
});

it('proposes a missing safety stock on the plan date', function () {
    $files = bought('safety_stock', '4', '');

    expect(Support::proposals($files))->toBe(['buy 4 X 2026-02-26 2026-03-02'])
        ->and(Support::messages($files))->toBe([
            'below_safety safety:X@MAIN 2026-03-02 2026-03-03 4',
            'start_passed proposal:1 2026-03-02 2026-03-04 4',
        ]);
});

it(
    'brings in later orders instead of proposing, but no pinned ones and none too far away',
    function (string $orders, array $proposals, array $messages) {
        $files = bought(
            'safety_stock', '0', "S1,1,X,MAIN,10,2026-03-12,5\n",
            ['orders' => "order,kind,status,item,site,qty,due,pinned\n{$orders}"],
        );

        expect(Support::proposals($files))->toBe($proposals)
            ->and(array_values(array_filter(
                Support::messages($files),
                fn ($message) => ! str_starts_with($message, 'below'),
            )))->toBe($messages);
    },
)->with([
    'the earliest first' => [
        "B,buy,firm,X,MAIN,10,2026-03-20,0\nA,buy,firm,X,MAIN,10,2026-03-18,0\n",
        [],
        ['bring_in order:A 2026-03-18 2026-03-12 10', 'cancel order:B 2026-03-20  10'],
    ],
    'by reference on the same day' => [
        "B,buy,firm,X,MAIN,10,2026-03-18,0\nA,buy,firm,X,MAIN,10,2026-03-18,0\n",
        [],
        ['bring_in order:A 2026-03-18 2026-03-12 10', 'cancel order:B 2026-03-18  10'],
    ],
    'not a pinned one' => ["A,buy,firm,X,MAIN,10,2026-03-18,1\n", ['buy 10 X 2026-03-10 2026-03-12'], ['cancel order:A 2026-03-18  10']],
    'thirty days' => ["A,buy,firm,X,MAIN,10,2026-04-11,0\n", [], ['bring_in order:A 2026-04-11 2026-03-12 10']],
    'thirty-one days' => ["A,buy,firm,X,MAIN,10,2026-04-12,0\n", ['buy 10 X 2026-03-10 2026-03-12'], ['cancel order:A 2026-04-12  10']],
    'as much as it brings, the rest proposed' => [
        "A,buy,firm,X,MAIN,4,2026-03-18,0\n",
        ['buy 6 X 2026-03-10 2026-03-12'],
        ['bring_in order:A 2026-03-18 2026-03-12 4'],
    ],
]);

it('says which orders stand too early or are not needed', function (string $due, string $need, array $messages) {
    $files = bought(
        'safety_stock', '0', "S1,1,X,MAIN,10,{$need},5\n",
        ['orders' => "order,kind,status,item,site,qty,due\nA,buy,firm,X,MAIN,10,{$due}\n"],
    );

    expect(Support::messages($files))->toBe($messages);
})->with([
    'five days early is no matter' => ['2026-03-12', '2026-03-17', []],
    'six days early' => ['2026-03-12', '2026-03-18', ['push_out order:A 2026-03-12 2026-03-18 10']],
    'overdue' => ['2026-02-27', '2026-03-04', ['overdue order:A 2026-02-27 2026-03-02 10']],
    'overdue and not needed for long' => [
        '2026-02-27',
        '2026-03-20',
        ['overdue order:A 2026-02-27 2026-03-02 10', 'push_out order:A 2026-02-27 2026-03-20 10'],
    ],
    'due after the horizon needs no cancelling' => ['2026-05-15', '2026-05-20', []],
]);

it('puts proposals after the frozen days', function () {
    $files = bought('frozen_days', '12', "S1,1,X,MAIN,7,2026-03-05,5\n");

    expect(Support::proposals($files))->toBe(['buy 7 X 2026-03-12 2026-03-16'])
        ->and(Support::messages($files))->toContain('frozen proposal:1 2026-03-05 2026-03-16 7');
});

it('counts past demand as of the plan date and says so', function () {
    $files = bought('safety_stock', '0', "S1,1,X,MAIN,7,2026-02-20,5\n");

    expect(Support::messages($files))->toContain('late_demand sales:S1/1 2026-02-20 2026-03-02 7')
        ->and(Support::rows(
            Support::plan(Support::small($files)),
            'demands.csv',
        )[0])->toMatchArray(['date' => '2026-03-02', 'expected' => '2026-03-04', 'late_days' => '2']);
});

it('leaves demand after the horizon out', function () {
    expect(Support::proposals(bought(
        'safety_stock',
        '0',
        "S1,1,X,MAIN,7,2026-05-01,5\nS2,1,X,MAIN,3,2026-04-30,5\n",
    )))->toBe(['buy 3 X 2026-04-28 2026-04-30']);
});

it('explodes by the lines valid on the start, with offsets, once per order, and rounds up', function () {
    $files = [
        'items' => "item,decimals\nTOP,0\nA,0\nB,2\nC,0\nD,0\n",
        'planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,5,\nA,MAIN,buy,0,SUP\nB,MAIN,buy,0,SUP\nC,MAIN,buy,0,SUP\nD,MAIN,buy,0,SUP\n",
        'bom' => "item,line,component,qty,basis,base_qty,scrap_pct,offset_days,valid_from,valid_to\nTOP,10,A,1,,3,,,,\nTOP,20,B,0.1,,,7,2,,\nTOP,30,C,2,order,4,,,,2026-03-13\nTOP,40,D,1,,,,,2026-03-14,\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,TOP,MAIN,10,2026-03-20,3\n",
    ];

    expect(Support::proposals($files))->toBe([
        'make 10 TOP 2026-03-13 2026-03-20', 'buy 4 A 2026-03-13 2026-03-13', 'buy 1.08 B 2026-03-17 2026-03-17',
        'buy 2 C 2026-03-13 2026-03-13',
    ])
        ->and(Support::rows(Support::plan(Support::small($files)), 'proposals.csv')[1]['priority'])->toBe('3');
});

it('proposes without a structure or supplier and says so', function () {
    $files = [
        'items' => "item\nTOP\nX\n", 'planning' => "item,site,supply,lead_days\nTOP,MAIN,make,2\nX,MAIN,buy,2\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,1,2026-03-12\nS1,2,X,MAIN,1,2026-03-12\n",
    ];

    expect(Support::messages($files))->toBe([
        'no_bom proposal:1 2026-03-10 2026-03-12 1',
        'no_supplier proposal:2 2026-03-10 2026-03-12 1',
    ]);
});

it('takes the components of an open order from its rows, else from the structure', function () {
    $files = [
        'items' => "item\nTOP\nA\nB\n",
        'planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,3,\nA,MAIN,buy,0,SUP\nB,MAIN,buy,0,SUP\n",
        'bom' => "item,line,component,qty,offset_days\nTOP,10,A,2,1\n",
        'orders' => "order,kind,status,item,site,qty,received,due\nM1,make,firm,TOP,MAIN,10,4,2026-03-20\nM2,make,firm,TOP,MAIN,10,0,2026-03-24\nM3,make,released,TOP,MAIN,5,5,2026-03-24\n",
        'order_components' => "order,line,item,qty,issued,need\nM2,5,B,8,3,2026-03-23\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,16,2026-03-24\n",
    ];

    expect(Support::proposals($files))->toBe(['buy 12 A 2026-03-17 2026-03-17', 'buy 5 B 2026-03-23 2026-03-23']);
});

it('makes a firm transfer order a demand at its source, a released one not', function () {
    $files = [
        'items' => "item\nX\n", 'sites' => "site\nMAIN\nDEPOT\n",
        'planning' => "item,site,supply,lead_days,supplier,from_site\nX,MAIN,buy,0,SUP,\nX,DEPOT,transfer,2,,MAIN\n",
        'orders' => "order,kind,status,item,site,from_site,qty,due\nT1,transfer,firm,X,DEPOT,MAIN,6,2026-03-12\nT2,transfer,released,X,DEPOT,MAIN,9,2026-03-12\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,X,DEPOT,15,2026-03-12\n",
    ];

    expect(Support::proposals($files))->toBe(['buy 6 X 2026-03-10 2026-03-10']);
});

it('counts only the demand, supply, sites and items of the run', function (string $option, array $proposals) {
    $files = [
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\nforecasts,F\n{$option}\n",
        'items' => "item\nTOP\nRAW\nALONE\n", 'sites' => "site\nMAIN\nDEPOT\n",
        'planning' => "item,site,supply,lead_days,supplier,from_site,safety_stock\nTOP,MAIN,make,0,,,\nRAW,MAIN,buy,0,SUP,,5\nALONE,MAIN,buy,0,SUP,,\nTOP,DEPOT,transfer,0,,MAIN,\n",
        'bom' => "item,line,component,qty\nTOP,10,RAW,1\n", 'stock' => "item,site,qty\nRAW,MAIN,5\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,DEPOT,2,2026-03-10\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nF,ALONE,MAIN,day,2026-03-10,3\n",
    ];

    expect(array_map(fn ($text) => implode(' ', array_slice(explode(' ', $text), 0, 3)), Support::proposals($files)))->toBe($proposals);
})->with([
    'all' => ['bring_in_days,30', ['buy 3 ALONE', 'transfer 2 TOP', 'make 2 TOP', 'buy 2 RAW']],
    'sales only' => ['demand,sales', ['transfer 2 TOP', 'make 2 TOP', 'buy 2 RAW']],
    'forecast only' => ['demand,forecast', ['buy 3 ALONE']],
    'no stock' => ['supply,purchase;production;transfer', ['buy 3 ALONE', 'transfer 2 TOP', 'make 2 TOP', 'buy 5 RAW', 'buy 2 RAW']],
    'no safety stock' => ['safety_stock,off', ['buy 3 ALONE', 'transfer 2 TOP', 'make 2 TOP']],
    'one site' => ['sites,DEPOT', ['transfer 2 TOP']],
    'one item and what goes into it' => ['items,TOP', ['transfer 2 TOP', 'make 2 TOP', 'buy 2 RAW']],
]);

it('refuses to leave the range of quantities and names the item', function () {
    $files = [
        'items' => "item\nTOP\nRAW\n", 'planning' => "item,site,supply\nTOP,MAIN,make\n",
        'bom' => "item,line,component,qty\nTOP,10,RAW,1000\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,9000000000000,2026-03-12\n",
    ];

    expect(Support::refusal(fn () => Support::plan(Support::small($files))))->toContain('RAW at MAIN')
        ->and(Support::refusal(fn () => Support::plan(Support::small(bought(
            'lot_rule,fixed_qty',
            'fixed,1',
            "S1,1,X,MAIN,1000001,2026-03-12,5\n",
        )))))->toContain('X at MAIN');
});

it('lets balances go beyond the range of quantities, exactly', function () {
    $files = bought(
        'lot_rule',
        'lot_for_lot',
        "S1,1,X,MAIN,9000000000000,2026-03-12,5\nS2,1,X,MAIN,8999999999999,2026-03-20,5\nS3,1,X,MAIN,5,2026-03-24,5\n",
        [
            'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-03-31\nbucket,month\n",
            'stock' => "item,site,qty\nX,MAIN,9000000000000\n",
            'orders' => "order,kind,status,item,site,qty,due\nP1,buy,firm,X,MAIN,9000000000000,2026-03-04\nP2,buy,firm,X,MAIN,9000000000000,2026-03-31\n",
        ],
    );
    $plan = Support::plan(Support::small($files));

    expect($plan->proposals())->toBe([])
        ->and(Support::rows($plan, 'buckets.csv'))->toBe([[
            'item' => 'X', 'site' => 'MAIN', 'start' => '2026-03-01', 'demand' => '18000000000004',
            'receipts' => '18000000000000', 'proposals_due' => '0', 'proposals_start' => '0', 'balance' => '8999999999996',
            'expected_balance' => '8999999999996',
        ]])
        ->and(Support::rows($plan, 'messages.csv')[1])->toMatchArray(['code' => 'bring_in', 'from' => '2026-03-31', 'to' => '2026-03-24'])
        ->and(Support::rows($plan, 'messages.csv')[0])->toMatchArray([
            'code' => 'below_safety', 'from' => '2026-03-24', 'to' => '2026-03-30', 'qty' => '4',
        ]);
});
