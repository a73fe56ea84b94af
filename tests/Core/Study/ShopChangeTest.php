<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Capacity\Stretch;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\MoveOperation;
use Yposta\Core\Study\ReportWork;
use Yposta\Core\Study\SoundChange;

function smallShopNetwork(): Network
{
    return Support::small([
        'items' => "item\nA\n", 'planning' => "item,site,supply\nA,MAIN,make\n",
        'work_centres' => "work_centre,site,units\nSAW,MAIN,2\nOVEN,MAIN,1\nKILN,MAIN,1\n",
        'shifts' => "work_centre,weekdays,from,to\nSAW,12345,06:00,14:00\n", 'operations' => "item,op,work_centre,run_min\nA,10,SAW,60\n",
        'closures' => "work_centre,from,to\nSAW,2026-03-20 00:00,2026-03-21 00:00\n",
        'operation_alternatives' => "item,op,work_centre,speed_pct\nA,10,OVEN,50\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,3,2026-03-12\nM2,make,firm,A,MAIN,3,2026-03-13\nP1,buy,firm,A,MAIN,3,2026-03-13\n",
        'order_operations' => "order,op,work_centre,run_min,done_qty,start,end,units\nM2,10,SAW,60,1,2026-03-03 06:00,2026-03-03 08:00,2\n",
    ])->network;
}

/** Minutes of units that are on, on a day. */
function onThatDay(Network $network, string $day): int
{
    return array_sum(array_map(
        fn (Stretch $stretch) => $stretch->minutes() * $stretch->units->count, (new Shop($network))->time('SAW')->day(Day::parse($day)),
    ));
}

it('opens a centre longer and closes it, and takes both back to the row', function (array $fields, string $day, int $before, int $then) {
    $network = smallShopNetwork();
    $change = SoundChange::decode($fields);
    $after = SoundChange::apply($change, $network);
    expect(onThatDay($network, $day))->toBe($before)->and(onThatDay($after, $day))->toBe($then)
        ->and(ChangeCodec::encode(ChangeCodec::decode(ChangeCodec::encode($change))))->toBe(ChangeCodec::encode($change));
    $back = $after;
    foreach ($change->inverse($network) as $one) {
        $again = ChangeCodec::decode(ChangeCodec::encode($one)); // as it stands in the journal
        $back = SoundChange::apply($again, $back, takesBack: true);
        expect($again->inverse($after)[0]->apply($network))->toEqual($after);
    }
    expect([$back->shifts, $back->closures])->toEqual([$network->shifts, $network->closures]);
})->with([
    'a shift' => [['change' => 'add_shift', 'workCentre' => 'SAW', 'weekdays' => '5', 'from' => '14:00', 'to' => '22:00'], '2026-03-06', 960, 1920],
    'a shift with one unit' => [
        ['change' => 'add_shift', 'workCentre' => 'SAW', 'weekdays' => '12345', 'from' => '14:00', 'to' => '16:00', 'units' => 1], '2026-03-06', 960, 1080,
    ],
    'down' => [
        ['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => '2026-03-05 10:00', 'to' => '2026-03-06 08:00', 'reason' => 'broken'],
        '2026-03-06', 960, 720,
    ],
    'a unit down' => [
        ['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => '2026-03-05 10:00', 'to' => '2026-03-09 08:00', 'unit' => 1], '2026-03-06', 960, 480,
    ],
]);

/** @return list<string> rows of operations of orders, as files have them */
function operationRows(Network $network): array
{
    return array_map(
        fn (OrderOperation $row) => implode(',', Declaration::of(OrderOperation::class)->fields($row)), $network->orderOperations,
    );
}

it('changes how orders are worked, and takes it back to the row', function (array $fields, string $row) {
    $network = smallShopNetwork();
    $change = SoundChange::decode($fields);
    $after = SoundChange::apply($change, $network);
    $rows = [...operationRows($after), ...array_map(
        fn ($order) => implode(',', [$order->code, $order->notBefore, $order->finishBy, (int) $order->hold]), $after->orders,
    ), ...array_map(fn ($centre) => "{$centre->code} {$centre->efficiency}", $after->workCentres)];
    $fields = ChangeCodec::encode($change);
    expect($rows)->toContain($row)->and(ChangeCodec::encode(ChangeCodec::decode($fields)))->toBe($fields);
    $back = $after;
    foreach ($change->inverse($network) as $one) {
        $again = ChangeCodec::decode(ChangeCodec::encode($one)); // as it stands in the journal
        $back = SoundChange::apply($again, $back, takesBack: true);
    }
    expect($back)->toEqual($network);
})->with([
    'moved' => [
        ['change' => 'move_operation', 'order' => 'M2', 'op' => 10, 'workCentre' => 'SAW', 'units' => '1', 'start' => '2026-03-04 07:00'],
        'M2,10,SAW,0,60,1,1,2026-03-04 07:00,,1,1',
    ],
    'moved, written out, to a centre that takes twice as long' => [
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'OVEN', 'units' => '1', 'start' => '2026-03-04 07:00', 'fixed' => false],
        'M1,10,OVEN,0,120,1,0,2026-03-04 07:00,,1,0',
    ],
    'elsewhere' => [['change' => 'do_elsewhere', 'order' => 'M2', 'op' => 10, 'workCentre' => 'OVEN'], 'M2,10,OVEN,0,120,1,1,,,,0'],
    'fixed' => [['change' => 'fix_operation', 'order' => 'M2', 'op' => 10], 'M2,10,SAW,0,60,1,1,2026-03-03 06:00,2026-03-03 08:00,2,1'],
    'with a crew of two' => [['change' => 'change_crew', 'order' => 'M2', 'op' => 10, 'crew' => 2], 'M2,10,SAW,0,60,2,1,,,,0'],
    'off the board, but what has begun' => [['change' => 'take_off_board', 'order' => 'M2'], 'M2,10,SAW,0,60,1,1,2026-03-03 06:00,2026-03-03 08:00,2,0'],
    'held back' => [['change' => 'hold_order', 'order' => 'M1', 'held' => true], 'M1,,,1'],
    'not before' => [['change' => 'start_not_before', 'order' => 'M1', 'day' => '2026-03-09'], 'M1,'.Day::parse('2026-03-09').',,0'],
    'done by' => [['change' => 'finish_by', 'order' => 'M1', 'day' => '2026-03-10'], 'M1,,'.Day::parse('2026-03-10').',0'],
    'slower' => [['change' => 'change_efficiency', 'workCentre' => 'SAW', 'efficiency' => '80'], 'SAW 80000000'],
]);

it('reports what is done, and takes it back to the row', function (int $done, ?string $start, string $row) {
    $network = smallShopNetwork();
    $change = new ReportWork('M2', 10, $done, $start);
    $after = SoundChange::apply($change, $network);
    expect(operationRows($after))->toContain($row)->and(ChangeCodec::decode(ChangeCodec::encode($change)))->toEqual($change);
    $back = $after;
    foreach ($change->inverse($network) as $one) {
        $back = SoundChange::apply($one, $back, takesBack: true);
    }
    expect($back)->toEqual($network)->and(fn () => SoundChange::decode(ChangeCodec::encode($change)))->toThrow(InvalidChange::class);
})->with([
    'some more' => [1_000_000, null, 'M2,10,SAW,0,60,1,2,2026-03-03 06:00,2026-03-03 08:00,2,0'],
    'started' => [0, '2026-03-04 09:00', 'M2,10,SAW,0,60,1,1,2026-03-04 09:00,,2,0'],
]);

it('brings an operation back to its own centre with the minutes that it has there', function () {
    $network = smallShopNetwork();
    foreach (['OVEN', 'SAW'] as $centre) {
        $network = (new MoveOperation('M1', 10, $centre, '1', '2026-03-04 07:00', false))->apply($network);
    }
    expect(operationRows($network))->toContain('M1,10,SAW,0,60,1,0,2026-03-04 07:00,,1,0');
});

it('says what does not fit', function (array $fields, string $trouble) {
    $network = smallShopNetwork();
    $said = null;
    try {
        SoundChange::apply(SoundChange::decode($fields), $network);
    } catch (DoesNotFit|InvalidChange $thrown) {
        $said = $thrown->phrase()->code;
    }
    expect($said)->toBe($trouble);
})->with([
    'no such centre' => [['change' => 'add_shift', 'workCentre' => 'MILL', 'weekdays' => '5', 'from' => '14:00', 'to' => '22:00'], 'fit.no_centre'],
    'open day and night' => [
        ['change' => 'add_shift', 'workCentre' => 'OVEN', 'weekdays' => '5', 'from' => '14:00', 'to' => '22:00'], 'fit.always_open',
    ],
    'more units than there are' => [
        ['change' => 'add_shift', 'workCentre' => 'SAW', 'weekdays' => '5', 'from' => '14:00', 'to' => '22:00', 'units' => 3], 'fit.no_such_units',
    ],
    'no centre to close' => [
        ['change' => 'close_centre', 'workCentre' => 'MILL', 'from' => '2026-03-05 10:00', 'to' => '2026-03-06 08:00'], 'fit.no_centre',
    ],
    'no such unit' => [
        ['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => '2026-03-05 10:00', 'to' => '2026-03-06 08:00', 'unit' => 3], 'fit.no_such_unit',
    ],
    'ends before it begins' => [
        ['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => '2026-03-06 10:00', 'to' => '2026-03-06 10:00'], 'row.ends_before.problem',
    ],
    'no weekdays' => [['change' => 'add_shift', 'workCentre' => 'SAW', 'weekdays' => '99', 'from' => '14:00', 'to' => '22:00'], 'change.wrong'],
    'none at all' => [['change' => 'add_shift', 'workCentre' => 'SAW', 'weekdays' => '', 'from' => '14:00', 'to' => '22:00'], 'change.wrong'],
    'no moment' => [['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => 'never', 'to' => 'soon'], 'change.wrong'],
    'no moment at all' => [['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => '', 'to' => '2026-03-06 10:00'], 'change.wrong'],
    'no such operation' => [
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 20, 'workCentre' => 'SAW', 'units' => '1', 'start' => '2026-03-03 06:00'],
        'fit.no_such_operation',
    ],
    'where it cannot be done' => [
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'KILN', 'units' => '1', 'start' => '2026-03-03 06:00'],
        'fit.not_done_there',
    ],
    'elsewhere where it cannot be done' => [
        ['change' => 'do_elsewhere', 'order' => 'M1', 'op' => 10, 'workCentre' => 'KILN'], 'fit.not_done_there',
    ],
    'more units than the crew' => [
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'SAW', 'units' => '1;2', 'start' => '2026-03-03 06:00'],
        'fit.crew_needs',
    ],
    'a unit that there is not' => [
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'SAW', 'units' => '3', 'start' => '2026-03-03 06:00'],
        'fit.no_such_unit',
    ],
    'at no time' => [
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'SAW', 'units' => '1', 'start' => '2026-02-31 06:00'], 'change.wrong',
    ],
    'long before anybody was born' => [
        ['change' => 'close_centre', 'workCentre' => 'SAW', 'from' => '0001-01-01 00:00', 'to' => '2026-03-06 10:00'], 'change.wrong',
    ],
    'fixed nowhere' => [['change' => 'fix_operation', 'order' => 'M1', 'op' => 10], 'fit.not_scheduled'],
    'a crew that there is not' => [['change' => 'change_crew', 'order' => 'M1', 'op' => 10, 'crew' => 3], 'fit.no_such_units'],
    'a crew of nobody' => [['change' => 'change_crew', 'order' => 'M1', 'op' => 10, 'crew' => 0], 'fit.no_such_units'],
    'a purchase held back' => [['change' => 'hold_order', 'order' => 'P1'], 'fit.not_produced'],
    'a purchase not before' => [['change' => 'start_not_before', 'order' => 'P1', 'day' => '2026-03-09'], 'fit.not_produced'],
    'no efficiency' => [['change' => 'change_efficiency', 'workCentre' => 'SAW', 'efficiency' => '0'], 'row.not_above.problem'],
    'operations from outside' => [['change' => 'put_operations', 'order' => 'M1', 'rows' => []], 'change.only_back'],
    'only takes back' => [['change' => 'put_shifts', 'workCentre' => 'SAW', 'shifts' => []], 'change.only_back'],
]);
