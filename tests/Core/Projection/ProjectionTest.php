<?php

declare(strict_types=1);

use Tests\Support;

/**
 * TOP is made of A and B in 2 days; what is in the files comes on top.
 *
 * @param  array<string, string>  $files
 * @return array<string, array<string, string>> rows of demands.csv by reference
 */
function projected(array $files): array
{
    $rows = Support::rows(Support::plan(Support::small([
        'items' => "item\nTOP\nA\nB\n",
        'planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,2,\nA,MAIN,buy,1,SUP\nB,MAIN,buy,1,SUP\n",
        'bom' => "item,line,component,qty\nTOP,10,A,1\nTOP,20,B,1\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,10,2026-03-10\n", ...$files,
    ])), 'demands.csv');

    return array_column($rows, null, 'demand');
}

it('is on time when everything can be', function () {
    expect(projected([])['sales:S1/1'])->toMatchArray(['expected' => '2026-03-10', 'late_days' => '0', 'hold_up' => '']);
});

it('follows a delay to where it begins and says why', function (array $files, string $expected, string $holdUp) {
    expect(projected($files)['sales:S1/1'])->toMatchArray(['expected' => $expected, 'hold_up' => $holdUp]);
})->with([
    'a lead time longer than the time left' => [
        ['planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,2,\nA,MAIN,buy,1,SUP\nB,MAIN,buy,8,SUP\n"], '2026-03-16',
        'B: lead time 8, time left 4 days',
    ],
    'an order due late' => [
        ['orders' => "order,kind,status,item,site,qty,due\nP1,buy,released,A,MAIN,10,2026-03-11\n"], '2026-03-13',
        'A: order P1 comes Wed 11 Mar',
    ],
    'an overdue order' => [
        [
            'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,10,2026-03-02\n",
            'orders' => "order,kind,status,item,site,qty,due\nM1,make,released,TOP,MAIN,10,2026-02-27\nP1,buy,released,A,MAIN,10,2026-03-05\n",
            'order_components' => "order,line,item,qty,issued,need\nM1,10,A,10,0,2026-03-02\n",
        ], '2026-03-05', 'A: order P1 comes Thu 5 Mar',
    ],
    'frozen days' => [
        ['planning' => "item,site,supply,lead_days,supplier,frozen_days\nTOP,MAIN,make,2,,0\nA,MAIN,buy,1,SUP,10\nB,MAIN,buy,1,SUP,0\n"],
        '2026-03-16', 'A: falls into the frozen days, comes Thu 12 Mar',
    ],
    'the own lead time of what is made' => [
        ['planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,9,\nA,MAIN,buy,0,SUP\nB,MAIN,buy,0,SUP\n"], '2026-03-13',
        'TOP: lead time 9, time left 6 days',
    ],
    'the first of two that are equally late' => [
        ['planning' => "item,site,supply,lead_days,supplier\nTOP,MAIN,make,2,\nA,MAIN,buy,8,SUP\nB,MAIN,buy,8,SUP\n"], '2026-03-16',
        'A: lead time 8, time left 4 days',
    ],
    'a transfer from another site' => [
        [
            'sites' => "site,calendar\nMAIN,WORK\nSIDE,WORK\n",
            'planning' => "item,site,supply,lead_days,supplier,from_site\nTOP,MAIN,make,2,,\nA,MAIN,transfer,6,,SIDE\nB,MAIN,buy,1,SUP,\nA,SIDE,buy,0,SUP,\n",
        ],
        '2026-03-12', 'A: transfer takes 6, time left 4 days',
    ],
]);

it('does not wait for a component that nothing serves', function () {
    $rows = projected(['plan' => "key,value\nplan_date,2026-03-02\nsites,MAIN\n", 'sites' => "site,calendar\nMAIN,WORK\nSIDE,WORK\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,TOP,MAIN,10,2026-03-10\n",
        'allocations' => "demand,supply,qty\npart:M1/10,stock:A@MAIN,4\n", 'stock' => "item,site,qty\nA,MAIN,4\n"]);

    expect($rows['part:M1/10'])->toMatchArray(['uncovered' => '0'])->and($rows['sales:S1/1']['expected'])->toBe('2026-03-10');
});

it('serves fixed allocations first, each only as far as there is something left', function () {
    $pegs = Support::rows(Support::plan(Support::small([
        'items' => "item\nX\n", 'planning' => "item,site,supply,lead_days,supplier\nX,MAIN,buy,0,SUP\n",
        'stock' => "item,site,qty\nX,MAIN,10\n",
        'orders' => "order,kind,status,item,site,qty,due\nP1,buy,firm,X,MAIN,6,2026-03-12\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,X,MAIN,8,2026-03-10\nS2,1,X,MAIN,8,2026-03-20\n",
        'allocations' => "demand,supply,qty\nsales:S2/1,stock:X@MAIN,5\nsales:S2/1,stock:X@MAIN,90\n",
    ])), 'pegs.csv');

    expect(array_map(fn (array $row) => "{$row['supply']} {$row['demand']} {$row['qty']}", $pegs))
        ->toBe(['stock:X@MAIN sales:S1/1 2', 'stock:X@MAIN sales:S2/1 8', 'order:P1 sales:S1/1 6']);
});

it('keeps a released order on its date though its start has passed, and a firm one not', function (string $status, string $expected) {
    $rows = projected([
        'orders' => "order,kind,status,item,site,qty,start,due\nM1,make,{$status},TOP,MAIN,10,2026-02-26,2026-03-03\n",
        'stock' => "item,site,qty\nA,MAIN,10\nB,MAIN,10\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,10,2026-03-03\n",
    ]);

    expect($rows['sales:S1/1']['expected'])->toBe($expected);
})->with([['released', '2026-03-03'], ['firm', '2026-03-04']]);

it('tells each unbroken stretch of days under safety stock, with the worst of it', function () {
    expect(Support::messages([
        'items' => "item\nX\n", 'planning' => "item,site,supply,lead_days,supplier,safety_stock\nX,MAIN,buy,5,SUP,4\n",
        'stock' => "item,site,qty\nX,MAIN,6\n",
        'orders' => "order,kind,status,item,site,qty,due,pinned\nP1,buy,firm,X,MAIN,10,2026-03-05,1\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,X,MAIN,3,2026-03-02\nS2,1,X,MAIN,5,2026-03-04\nS3,1,X,MAIN,8,2026-03-06\n",
    ]))->toContain('below_safety safety:X@MAIN 2026-03-02 2026-03-04 6')->toContain('below_safety safety:X@MAIN 2026-03-06 2026-03-08 4');
});
