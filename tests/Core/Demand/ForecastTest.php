<?php

declare(strict_types=1);

use Tests\Support;

/** What is left of forecasts of X, each as "forecast start qty". */
function left(string $options, string $forecasts, string $sales): array
{
    $plan = Support::plan(Support::small([
        'plan' => "key,value\nplan_date,2026-03-04\nhorizon_end,2026-06-30\n{$options}", 'items' => "item\nX\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\n{$forecasts}", 'sales' => "order,line,item,site,qty,shipped,due\n{$sales}",
    ]));
    $rows = array_filter(Support::rows($plan, 'demands.csv'), fn (array $row) => str_starts_with($row['demand'], 'forecast:'));

    return array_values(array_map(fn (array $row) => substr($row['demand'], 9)." {$row['date']} {$row['qty']}", $rows));
}

it('consumes and places forecasts', function (string $options, string $forecasts, string $sales, array $left) {
    expect(left($options, $forecasts, $sales))->toBe($left);
})->with([
    'own bucket, also by what is shipped, past and after the horizon' => [
        "forecasts,A\n", "A,X,MAIN,week,2026-03-02,10\nA,X,MAIN,month,2026-07-01,10\n", "S1,1,X,MAIN,4,4,2026-03-03\n",
        ['A/2026-03-02 2026-03-04 6'],
    ],
    'never below zero' => ["forecasts,A\n", "A,X,MAIN,week,2026-03-09,10\n", "S1,1,X,MAIN,25,0,2026-03-12\n", []],
    'ended before the plan date' => ["forecasts,A\n", "A,X,MAIN,week,2026-02-23,10\nA,X,MAIN,day,2026-03-03,2\n", '', []],
    'on the first working day' => [
        "forecasts,A\n", "A,X,MAIN,month,2026-03-01,3\nA,X,MAIN,day,2026-03-14,5\n", '',
        ['A/2026-03-01 2026-03-04 3', 'A/2026-03-14 2026-03-16 5'],
    ],
    'several by name: what one leaves open takes from the next' => [
        "forecasts,B;A\nconsume_forward_days,7\n", "A,X,MAIN,week,2026-03-09,3\nB,X,MAIN,week,2026-03-09,4\nA,X,MAIN,week,2026-03-16,2\n",
        "S1,1,X,MAIN,6,0,2026-03-12\n", ['B/2026-03-09 2026-03-09 3'],
    ],
    'switched off' => [
        "forecasts,A\nconsume,off\n", "A,X,MAIN,week,2026-03-09,10\n", "S1,1,X,MAIN,4,0,2026-03-12\n",
        ['A/2026-03-09 2026-03-09 10'],
    ],
    'nothing consumes where sales do not count' => [
        "forecasts,A\ndemand,forecast\n", "A,X,MAIN,week,2026-03-09,10\n", "S1,1,X,MAIN,4,0,2026-03-12\n",
        ['A/2026-03-09 2026-03-09 10'],
    ],
    'spread over the working days left, the first taking the remainder' => [
        "forecasts,A\nforecast_placement,spread\n", "A,X,MAIN,week,2026-03-02,8\n", '',
        ['A/2026-03-04 2026-03-04 3', 'A/2026-03-05 2026-03-05 3', 'A/2026-03-06 2026-03-06 2'],
    ],
    'spread less than a unit a day' => [
        "forecasts,A\nforecast_placement,spread\n", "A,X,MAIN,week,2026-03-09,2\n", '',
        ['A/2026-03-09 2026-03-09 1', 'A/2026-03-10 2026-03-10 1'],
    ],
]);
