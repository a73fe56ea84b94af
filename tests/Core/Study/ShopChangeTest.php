<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Capacity\Stretch;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\SoundChange;

function smallShopNetwork(): Network
{
    return Support::small([
        'items' => "item\nA\n", 'planning' => "item,site,supply\nA,MAIN,make\n",
        'work_centres' => "work_centre,site,units\nSAW,MAIN,2\nOVEN,MAIN,1\n",
        'shifts' => "work_centre,weekdays,from,to\nSAW,12345,06:00,14:00\n", 'operations' => "item,op,work_centre,run_min\nA,10,SAW,60\n",
        'closures' => "work_centre,from,to\nSAW,2026-03-20 00:00,2026-03-21 00:00\n",
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
    'only takes back' => [['change' => 'put_shifts', 'workCentre' => 'SAW', 'shifts' => []], 'change.only_back'],
]);
