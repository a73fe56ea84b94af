<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Remedy\LoadReliefs;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Trial\Trial;

/** Three orders for the oven's second week: 50 hours where it has 40; 12 of one are for nobody. The first week is empty. */
function fullOven(array $files = []): Trial
{
    $contents = Support::small([
        'items' => "item\nA\nB\nC\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\nB,MAIN,make,1\nC,MAIN,make,1\n",
        'work_centres' => "work_centre,site,units\nOVEN,MAIN,1\n", 'shifts' => "work_centre,weekdays,from,to\nOVEN,1234,06:00,15:00\nOVEN,5,06:00,10:00\n",
        'operations' => "item,op,work_centre,run_min\nA,10,OVEN,60\nB,10,OVEN,60\nC,10,OVEN,60\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,A,MAIN,20,2026-03-16,2\nS2,1,B,MAIN,12,2026-03-16,2\nS3,1,C,MAIN,6,2026-03-16,2\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,20,2026-03-10,2026-03-13\n"
            ."MB,make,firm,B,MAIN,12,2026-03-10,2026-03-13\nMC,make,firm,C,MAIN,18,2026-03-10,2026-03-13\n",
        ...$files,
    ]);

    return new Trial($contents->network, $contents->options);
}

/** @return list<array{string, float, bool, list<string>}> kind, hours then, whether it fits, and the changes */
function reliefs(Trial $trial, string $day = '2026-03-11'): array
{
    $found = [];
    foreach ((new LoadReliefs($trial))->for('OVEN', Day::parse($day), BucketSize::Week) as [$tried, $cell]) {
        $found[] = [
            $tried->remedy->kind()->value, $cell->load / 60, $cell->capacity / 60, $tried->solves,
            implode('; ', array_map(
                fn ($change) => implode(' ', array_filter(ChangeCodec::encode($change), is_scalar(...))), $tried->remedy->changes,
            )),
        ];
    }

    return $found;
}

it('works out what makes a full week fit, each planned', function () {
    expect(reliefs(fullOven()))->toEqual([
        ['do_earlier', 30.0, 40, true, 'move_order MA 2026-03-06'],
        ['open_longer', 50.0, 48, false, 'add_shift OVEN 5 10:00 18:00'],
        ['open_longer', 50.0, 50, true, 'add_shift OVEN 12345 15:00 17:00'],
        ['smaller_lots', 38.0, 40, true, 'resize_order MC 6'],
    ])->and(reliefs(fullOven(), '2026-03-02'))->toBe([])->and(reliefs(fullOven(), '2026-03-22'))->toBe([]);
});

it('moves nothing into a time that is full or has passed, and nothing that waits for its material', function () {
    $closed = fullOven(['closures' => "work_centre,from,to\nOVEN,2026-03-02 00:00,2026-03-07 00:00\n"]);
    expect(array_column(reliefs($closed), 0))->not->toContain('do_earlier');
    $early = fullOven(['orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,20,2026-03-03,2026-03-13\n"
        ."MB,make,firm,B,MAIN,12,2026-03-03,2026-03-13\nMC,make,firm,C,MAIN,18,2026-03-03,2026-03-13\n"]);
    expect(array_column(reliefs($early), 0))->not->toContain('do_earlier');
    $waits = fullOven([
        'items' => "item\nA\nB\nC\nBAR\n", 'bom' => "item,line,component,qty\nA,10,BAR,1\nB,10,BAR,1\nC,10,BAR,1\n",
        'planning' => "item,site,supply,lead_days,supplier\nA,MAIN,make,1,\nB,MAIN,make,1,\nC,MAIN,make,1,\nBAR,MAIN,buy,20,SUP\n",
    ]);
    expect(array_column(reliefs($waits), 0))->not->toContain('do_earlier')->and(array_column(reliefs($waits), 0))->toContain('smaller_lots');
});

it('adds no shift to what is open day and night', function () {
    $always = fullOven([
        'shifts' => "work_centre,weekdays,from,to\nOVEN,12345,00:00,24:00\n",
        'operations' => "item,op,work_centre,run_min\nA,10,OVEN,240\nB,10,OVEN,240\nC,10,OVEN,240\n",
    ]);
    expect(array_column(reliefs($always), 0))->not->toContain('open_longer');
});

it('has work done later where nobody waits for it, elsewhere where there is room, and bought where it is proposed', function () {
    $later = fullOven(['sales' => "order,line,item,site,qty,due,priority\nS1,1,A,MAIN,20,2026-03-16,2\nS2,1,B,MAIN,12,2026-04-01,2\nS3,1,C,MAIN,18,2026-03-16,2\n"]);
    expect(reliefs($later))->toContainEqual(['do_later', 38.0, 40.0, true, 'move_order MB 2026-03-17'])
        ->and(array_column(reliefs(fullOven()), 0))->not->toContain('do_later');

    $elsewhere = fullOven([
        'work_centres' => "work_centre,site,units\nOVEN,MAIN,1\nKILN,MAIN,1\n", 'operation_alternatives' => "item,op,work_centre,speed_pct\nA,10,KILN,50\nB,10,KILN,50\n",
        'shifts' => "work_centre,weekdays,from,to\nOVEN,1234,06:00,15:00\nOVEN,5,06:00,10:00\nKILN,12345,06:00,12:00\n",
    ]);
    // 20 h would take 40 there, where there are 30; 12 h take 24
    expect(reliefs($elsewhere))->toContainEqual(['other_centre', 38.0, 40.0, true, 'do_elsewhere MB 10 KILN']);

    $proposed = fullOven([
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,20,2026-03-10,2026-03-13\nMB,make,firm,B,MAIN,12,2026-03-10,2026-03-13\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,A,MAIN,20,2026-03-13,2\nS2,1,B,MAIN,12,2026-03-13,2\nS3,1,C,MAIN,17,2026-03-13,2\n",
        'suppliers' => "supplier,name\nSUP,Supplier\n", 'supplier_items' => "item,supplier,lead_days,min_qty,multiple\nC,SUP,3,5,5\n",
    ]);
    expect(reliefs($proposed))->toContainEqual(['buy_instead', 32.0, 40.0, true, 'put_order new:1 buy firm C MAIN SUP 20 0 2026-03-13  2 ']);
});

it('forecasts less of what does not fit, and no less than that', function () {
    $trial = fullOven([
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,A,MAIN,20,2026-03-13,2\nS2,1,B,MAIN,12,2026-03-13,2\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nF,C,MAIN,week,2026-03-09,3\nF,C,MAIN,week,2026-03-16,18\n",
        'orders' => "order,kind,status,item,site,qty,start,due\nMA,make,firm,A,MAIN,20,2026-03-10,2026-03-13\n"
            ."MB,make,firm,B,MAIN,12,2026-03-10,2026-03-13\n",
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\nforecasts,F\n",
    ]);
    // 44 hours where there are 40: 9 of the 18 that are forecast for Monday have to be made before it
    expect(reliefs($trial))->toContainEqual(['less_forecast', 36.0, 40, true, 'set_forecast F C MAIN 2026-03-16 10']);
});
