<?php

declare(strict_types=1);

use Tests\Support;

/** A shop of two centres at one site and one at another, with files that replace some of it. */
function shopOf(array $files): array
{
    return [
        'calendars' => "calendar,weekdays\nWORK,12345\n", 'sites' => "site,calendar\nMAIN,WORK\nSIDE,WORK\n", 'items' => "item\nA\nB\n",
        'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\n", 'bom' => "item,line,component,qty\nA,1,B,1\n",
        'work_centres' => "work_centre,site,units\nW1,MAIN,2\nW2,MAIN,3\nW3,SIDE,3\n",
        'shifts' => "work_centre,weekdays,from,to,units\nW2,12345,06:00,14:00,1\nW2,12345,12:00,20:00,1\n",
        'operations' => "item,op,work_centre,crew,setup_family\nA,10,W1,2,red\n", ...$files,
    ];
}

it('refuses a shop that cannot work', function (array $files, string $why) {
    expect(Support::refusal(fn () => Support::small(shopOf($files))))->toContain($why);
})->with([
    'without units' => [['work_centres' => "work_centre,site,units\nW1,MAIN,2\nW2,MAIN,2\nW9,MAIN,0\n"], 'W9 is never open'],
    'shifts on days off' => [['shifts' => "work_centre,weekdays,from,to\nW2,67,06:00,14:00\n"], 'W2 is never open'],
    'shifts without units' => [['shifts' => "work_centre,weekdays,from,to,units\nW2,1,06:00,14:00,0\n"], 'W2 is never open'],
    'a crew that no shift has' => [['operations' => "item,op,work_centre,crew\nA,10,W2,3\n"], 'a crew of 3, but W2 never has more than 2'],
    'a crew of an order' => [[
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,1,2026-03-20\n",
        'order_operations' => "order,op,work_centre,crew\nM1,10,W1,3\n",
    ], 'a crew of 3, but W1 never has more than 2'],
    'an alternative at another site' => [
        ['operation_alternatives' => "item,op,work_centre\nA,10,W3\n"], 'W3 stands at another site than W1',
    ],
    'an alternative that cannot hold the crew' => [[
        'operations' => "item,op,work_centre,crew\nA,10,W2,2\n", 'work_centres' => "work_centre,site,units\nW1,MAIN,1\nW2,MAIN,3\n",
        'operation_alternatives' => "item,op,work_centre\nA,10,W1\n",
    ], 'a crew of 2, but W1 never has more than 1'],
    'a unit of nothing' => [[
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,1,2026-03-20\n",
        'order_operations' => "order,op,work_centre,units\nM1,10,W1,0;1\n",
    ], "'0;1' are no numbers of units"],
    'a closure that ends before it begins' => [
        ['closures' => "work_centre,from,to\nW1,2026-03-03 10:00,2026-03-03 10:00\n"], 'ends before it begins',
    ],
]);

it('takes one that can, with shifts that overlap, work on a day off or go over midnight', function () {
    $contents = Support::small(shopOf([
        'calendar_days' => "calendar,date,works\nWORK,2026-03-07,1\n", 'operations' => "item,op,work_centre,crew\nA,10,W2,2\n",
        'work_centres' => "work_centre,site,units\nW1,MAIN,2\nW2,MAIN,3\nW4,MAIN,1\n",
        'shifts' => "work_centre,weekdays,from,to,units\nW2,1,20:00,04:00,1\nW2,2,00:00,08:00,1\nW4,6,08:00,12:00,\n",
        'setup_changes' => "work_centre,from_family,to_family,setup_min\nW1,red,blue,10\n",
        'operation_alternatives' => "item,op,work_centre\nA,99,W1\n",
    ]));
    expect(array_map(fn ($warning) => $warning->problem->code, $contents->warnings))
        ->toContain('row.family_of_nobody.problem', 'row.alternative_of_nothing.problem');
});
