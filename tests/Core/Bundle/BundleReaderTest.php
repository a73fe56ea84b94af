<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Bundle\RowError;

const ITEMS = "item,decimals,unit\nA,0,pcs\nB,2,kg\n";

/**
 * @param  array<string, string>  $files
 * @return list<string>
 */
function complaints(array $files): array
{
    try {
        Support::small($files);
    } catch (BundleRefused $refused) {
        return array_map(fn (RowError $error) => $error->say(Support::english()), $refused->errors);
    }

    return [];
}

it('reads a bundle with defaults where fields are empty or missing', function () {
    $network = Support::small([
        'items' => ITEMS,
        'planning' => "item,site,supply,lead_days,supplier\nA,MAIN,make,,\nB,MAIN,buy,4,SUP\n",
        'bom' => "item,line,component,qty\nA,10,B,0.25\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,A,MAIN,3,2026-03-20\n",
    ])->network;

    expect($network->bom[0]->baseQty)->toBe(1_000_000)
        ->and($network->sales[0]->priority)->toBe(5)
        ->and($network->sales[0]->shipped)->toBe(0)
        ->and(array_values($network->planning)[0]->leadDays)->toBeNull()
        ->and(array_values($network->planning)[1]->groupDays)->toBe(1);
});

it('names file, line, column, what is wrong and what would be right', function (array $files, string $complaint) {
    expect(implode("\n", complaints(['items' => ITEMS, ...$files])))->toContain($complaint);
})->with([
    'unknown item' => [
        ['sales' => "order,line,item,site,qty,due\nS1,1,X,MAIN,1,2026-03-20\n"],
        "sales.csv line 2, item: there is no item 'X'",
    ],
    'unknown site' => [['stock' => "item,site,qty\nA,NOWHERE,1\n"], "stock.csv line 2, site: there is no site 'NOWHERE'"],
    'negative quantity' => [['stock' => "item,site,qty\nA,MAIN,-1\n"], "stock.csv line 2, qty: '-1' is negative; it must be 0 or more"],
    'a quantity of 40 digits' => [['stock' => "item,site,qty\nA,MAIN,".str_repeat('9', 40)."\n"], 'stock.csv line 2, qty: '],
    'too many decimals for the item' => [
        ['stock' => "item,site,qty\nB,MAIN,0.125\n"],
        "stock.csv line 2, qty: '0.125' has more decimals than the item, which has 2",
    ],
    'a day that is none' => [
        ['sales' => "order,line,item,site,qty,due\nS1,1,A,MAIN,1,2026-02-31\n"],
        'sales.csv line 2, due: there is no day 2026-02-31; write a date like 2026-03-02',
    ],
    'a duplicate' => [['stock' => "item,site,qty\nA,MAIN,1\nB,MAIN,1\nA,MAIN,2\n"], "stock.csv line 4: 'A MAIN' stands already in line 2"],
    'an unknown word' => [
        ['planning' => "item,site,supply\nA,MAIN,borrow\n"],
        "planning.csv line 2, supply: 'borrow' is not known; one of make, buy, transfer",
    ],
    'an empty key' => [['items' => "item\n\"\"\nA\n"], 'items.csv line 2, item: is empty'],
    'fixed without a quantity' => [
        ['planning' => "item,site,supply,lot_rule\nA,MAIN,buy,fixed\n"],
        'planning.csv line 2, fixed_qty: the rule fixed needs a quantity',
    ],
    'max below min' => [
        ['planning' => "item,site,supply,lot_rule,stock_min,stock_max\nA,MAIN,buy,min_max,20,10\n"],
        'planning.csv line 2, stock_max',
    ],
    'transfer from nowhere' => [
        ['planning' => "item,site,supply\nA,MAIN,transfer\n"],
        'planning.csv line 2, from_site: A at MAIN needs the site that it comes from',
    ],
    'transfer from itself' => [
        ['planning' => "item,site,supply,from_site\nA,MAIN,transfer,MAIN\n"],
        'planning.csv line 2, from_site: the point would transfer from itself',
    ],
    'scrap of all' => [
        ['bom' => "item,line,component,qty,scrap_pct\nA,10,B,1,100\n"],
        'bom.csv line 2, scrap_pct: is 100; it must be below 100',
    ],
    'the same line for all sites and one' => [
        ['bom' => "item,site,line,component,qty\nA,,10,B,1\nA,MAIN,10,B,2\n"],
        'bom.csv line 3, line: line 10 of A stands there already',
    ],
    'a week that begins on a Tuesday' => [
        ['forecasts' => "forecast,item,site,bucket,start,qty\nF,A,MAIN,week,2026-03-03,5\n"],
        'forecasts.csv line 2, start: 2026-03-03 does not begin a week; the week begins on 2026-03-02',
    ],
    'priority beyond 9' => [
        ['sales' => "order,line,item,site,qty,due,priority\nS1,1,A,MAIN,1,2026-03-20,10\n"],
        "sales.csv line 2, priority: '10' is not a whole number from 1 to 9",
    ],
    'a component of no order' => [
        ['order_components' => "order,line,item,qty\nM1,10,A,1\n"],
        "order_components.csv line 2, order: there is no order 'M1'",
    ],
    'a missing column' => [['stock' => "item,site\nA,MAIN\n"], 'stock.csv line 1, qty: the column is missing; add it to the header'],
    'a column named twice' => [['stock' => "item,site,qty,qty\nA,MAIN,1,1\n"], 'stock.csv line 1: a column is named twice'],
    'fields that do not fit the header' => [
        ['stock' => "item,site,qty\nA,MAIN,1,5\n"],
        'stock.csv line 2: 4 fields where the header has 3; quote fields that hold commas',
    ],
    'not UTF-8' => [['items' => "item,name\nA,Fl\xfcssig\n"], 'items.csv line 2: the row is not UTF-8; save the file as UTF-8'],
    'a control character' => [['items' => "item\nA\x07\n"], 'items.csv line 2, item: the text has a control character'],
    'an empty file' => [['stock' => ''], 'stock.csv line 1: the file is empty'],
    'a horizon before the plan date' => [
        ['plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-02-01\n"],
        'plan.csv, horizon_end: the horizon ends on Sun 1 Feb 2026, before the plan date Mon 2 Mar 2026',
    ],
    'an option nobody knows the value of' => [
        ['plan' => "key,value\nplan_date,2026-03-02\npeg_rule,luck\n"],
        "plan.csv line 3, value: 'luck' is not known; one of date, priority",
    ],
    'a forecast that is not there' => [
        ['plan' => "key,value\nplan_date,2026-03-02\nforecasts,NONE\n"],
        'plan.csv: there is no forecast NONE',
    ],
    'a calendar that never works' => [
        ['calendars' => "calendar,weekdays\nWORK,12345\nNEVER,\n"],
        'calendars.csv line 3, weekdays: calendar NEVER has no working day',
    ],
    'a shift at no time' => [
        ['work_centres' => "work_centre,site\nW,MAIN\n", 'shifts' => "work_centre,weekdays,from,to\nW,12345,25:00,06:00\n"],
        "shifts.csv line 2, from: '25:00' is no time of day",
    ],
    'a closure that ends before it begins' => [
        ['work_centres' => "work_centre,site\nW,MAIN\n", 'closures' => "work_centre,from,to\nW,2026-03-03 10:00,2026-03-03 09:00\n"],
        'closures.csv line 2, to: ends before it begins',
    ],
    'a job that ends before it begins' => [
        ['jobs' => "job,begins,ends\nJ-1,2026-03-20,2026-03-20\nJ-2,2026-03-20,2026-03-19\n"],
        'jobs.csv line 3, ends: J-2 ends before it begins',
    ],
    'an activity that ends before it begins' => [
        ['jobs' => "job\nJ-1\n", 'job_activities' => "job,activity,begins,ends\nJ-1,FIT,2026-03-20,2026-03-19\n"],
        'job_activities.csv line 2, ends: J-1 FIT ends before it begins',
    ],
    'a forecast that ends before it begins' => [
        ['forecast_names' => "forecast,begins,ends\nBASE,2026-03-20,2026-03-19\n"],
        'forecast_names.csv line 2, ends: BASE ends before it begins',
    ],
]);

it('counts lines of fields that hold line breaks', function () {
    expect(complaints([
        'items' => "item,name\nA,\"one\ntwo\"\nB,b\n\"C\n\",c\n",
        'stock' => "item,site,qty\nA,MAIN,1\n",
        'suppliers' => "supplier,name\nSUP,\"x\"\nSUP,y\n",
    ]))
        ->toContain('items.csv line 5, item: the text has a control character; leave it out')
        ->toContain("suppliers.csv line 3: 'SUP' stands already in line 2; keep one of them");
});

it('finds every error at once and shows the first two hundred', function () {
    $rows = implode('', array_map(fn (int $n) => "X{$n},MAIN,1\n", range(1, 10_000)));
    try {
        Support::small(['items' => ITEMS, 'stock' => "item,site,qty\n{$rows}"]);
        $this->fail('the bundle was taken');
    } catch (BundleRefused $refused) {
        expect($refused->errors)->toHaveCount(10_000)->and($refused->lines(Support::english()))->toHaveCount(201)
            ->and($refused->lines(Support::english())[200])->toBe('and 9,800 more');
    }
});

it('refuses a bundle without anything', function () {
    expect(Support::refusal(fn () => Support::bundle([])))->toContain('plan.csv, plan_date: the plan date is missing');
});

it('reports columns and files it does not know, gaps in the structure, and goes on', function () {
    $warnings = array_map(fn (RowError $warning) => $warning->say(Support::english()), Support::small([
        'items' => "item,colour\nA,red\nB,blue\n",
        'planning' => "item,site,supply\nA,MAIN,make\nB,MAIN,buy\n",
        'gossip' => "who,what\n",
    ])->warnings);

    expect($warnings)->toContain('gossip.csv: the file is not known and was ignored')
        ->toContain('items.csv line 1, colour: the column is not known and was ignored')
        ->toContain('planning.csv line 2, supply: A is made at MAIN but has no structure; add its lines to bom.csv')
        ->toContain('planning.csv line 3, supplier: B is bought for MAIN but has no supplier; name one here or in supplier_items.csv');
});

it('takes a byte order mark and quoted fields', function () {
    $network = Support::small(['items' => "\xEF\xBB\xBFitem,name\nA,\"Valve, \"\"long\"\"\"\n"])->network;

    expect($network->items['A']->name)->toBe('Valve, "long"');
});
