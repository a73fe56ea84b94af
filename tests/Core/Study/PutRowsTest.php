<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\WrittenRows;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\CountRows;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\SoundChange;

/** A lamp of a board and two screws, made on a bench; the board is bought. */
function glowWorks(): Network
{
    return Support::bundle([
        'plan.csv' => "key,value\nplan_date,2026-03-02\n",
        'calendars.csv' => "calendar,weekdays\nWEEK,12345\nLONG,123456\n",
        'calendar_days.csv' => "calendar,date,works\nWEEK,2026-05-01,0\n",
        'sites.csv' => "site,calendar\nMAIN,WEEK\n",
        'items.csv' => "item,decimals\nLAMP,0\nBOARD,0\nSCREW,2\nGLUE,3\n",
        'suppliers.csv' => "supplier\nSAW\n",
        'supplier_items.csv' => "supplier,item,lead_days\nSAW,BOARD,4\nSAW,GLUE,2\n",
        'planning.csv' => "item,site,supply,lead_days,safety_stock\nLAMP,MAIN,make,2,\nBOARD,MAIN,buy,4,\nSCREW,MAIN,buy,1,2.25\nGLUE,MAIN,buy,1,\n",
        'bom.csv' => "item,line,component,qty\nLAMP,10,BOARD,1\nLAMP,20,SCREW,2\n",
        'stock.csv' => "item,site,qty\nGLUE,MAIN,0\nSCREW,MAIN,12.5\n",
        'work_centres.csv' => "work_centre,site,kind,units\nBENCH,MAIN,machine,2\n",
        'shifts.csv' => "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\n",
        'operations.csv' => "item,op,work_centre,run_min,crew\nLAMP,10,BENCH,5,2\n",
        'sales.csv' => "order,line,item,site,qty,due\nS1,1,LAMP,MAIN,3,2026-03-20\n",
    ])->network;
}

/** Rows by what they say, by class; the order of keyed rows does not count. */
function saidRows(Network $network): array
{
    $said = [];
    foreach (Network::classes() as $class) {
        $rows = array_map(fn (object $row) => implode(',', Declaration::of($class)->fields($row)), $network->rows($class));
        sort($rows);
        $said[$class] = $rows;
    }

    return $said;
}

function putRows(string $kind, array $rows, array $removed = []): PutRows
{
    $change = SoundChange::decode(['change' => 'put_rows', 'kind' => $kind, 'rows' => $rows, 'removed' => $removed]);

    return $change instanceof PutRows ? $change : throw new LogicException($kind);
}

it('writes a row in the place of the one with its key, and new ones behind it', function () {
    $network = glowWorks();
    $change = putRows('items', [['code' => 'SCREW', 'name' => 'Brass screw', 'decimals' => 2], ['code' => 'NUT', 'unit' => 'pcs']]);
    $after = SoundChange::apply($change, $network);

    expect(array_keys($after->items))->toBe(['LAMP', 'BOARD', 'SCREW', 'GLUE', 'NUT'])->and($after->items['SCREW']->name)->toBe('Brass screw')
        ->and($after->items['NUT']->name)->toBe('NUT')->and($after->items['LAMP'])->toBe($network->items['LAMP'])
        ->and(ChangeCodec::decode(ChangeCodec::encode($change)))->toEqual($change)->and($change->records())->toBe(['SCREW', 'NUT']);
});

it('changes rows without a key by taking the old one away', function () {
    $network = glowWorks();
    $old = Declaration::of(BomLine::class)->identity($network->bom[1]);
    $change = putRows('bom', [['item' => 'LAMP', 'line' => '20', 'component' => 'SCREW', 'qty' => '4']], [$old]);
    $after = SoundChange::apply($change, $network);

    expect(array_map(fn (BomLine $line) => [$line->component, $line->qty], $after->bom))->toBe([['BOARD', 1_000_000], ['SCREW', 4_000_000]])
        ->and($change->records())->toBe(['LAMP'])
        ->and(fn () => SoundChange::apply($change, $after))->toThrow(DoesNotFit::class);
});

it('takes along what belongs to a row that goes, and brings it all back', function () {
    $network = glowWorks();
    $change = putRows('items', [], [['GLUE']]);
    $after = SoundChange::apply($change, $network);

    expect(array_keys($after->items))->toBe(['LAMP', 'BOARD', 'SCREW'])->and($after->planning)->not->toHaveKey(Network::key('GLUE', 'MAIN'))
        ->and(count($after->supplierItems))->toBe(1)->and(count($after->stock))->toBe(1);
    foreach ($change->inverse($network) as $back) {
        $after = SoundChange::apply($back, $after, takesBack: true);
    }
    expect(saidRows($after))->toBe(saidRows($network));

    $centre = SoundChange::apply(putRows('operations', [], [['LAMP', '', '10']]), $network);
    $closed = SoundChange::apply(putRows('work_centres', [], [['BENCH']]), $centre);
    expect([$closed->workCentres, $closed->shifts, $closed->operations])->toBe([[], [], []]);
});

it('refuses what cannot be', function (string $kind, array $rows, array $removed, string $why) {
    $said = null;
    try {
        SoundChange::apply(putRows($kind, $rows, $removed), glowWorks());
    } catch (DoesNotFit $trouble) {
        $said = (string) $trouble->phrase();
    }
    expect((string) $said)->toContain($why);
})->with([
    'an item that is in a structure' => ['items', [], [['SCREW']], 'in_use'],
    'an item that is sold' => ['items', [], [['LAMP']], 'in_use'],
    'a supplier who supplies' => ['suppliers', [], [['SAW']], 'in_use'],
    'a site' => ['sites', [], [['MAIN']], 'in_use'],
    'a calendar of a site' => ['calendars', [], [['WEEK']], 'in_use'],
    'a centre with operations' => ['work_centres', [], [['BENCH']], 'in_use'],
    'what is not there' => ['items', [], [['NAIL']], 'row_gone'],
    'what is made of itself' => ['bom', [['item' => 'LAMP', 'line' => '30', 'component' => 'LAMP', 'qty' => '1']], [], 'loop'],
    'a line that is there' => ['bom', [['item' => 'LAMP', 'line' => '10', 'component' => 'GLUE', 'qty' => '1']], [], 'line_clash'],
    'an unknown component' => ['bom', [['item' => 'LAMP', 'line' => '30', 'component' => 'NAIL', 'qty' => '1']], [], 'unknown'],
    'fewer decimals than its stock has' => ['items', [['code' => 'SCREW', 'decimals' => 0]], [], 'decimals'],
    'a calendar that never works' => ['calendars', [['code' => 'IDLE', 'weekdays' => '']], [], 'never_works'],
    'a crew beyond the centre' => ['operations', [['item' => 'LAMP', 'op' => 20, 'workCentre' => 'BENCH', 'crew' => 5]], [], 'crew_too_large'],
    'a centre that loses its units' => ['work_centres', [['code' => 'BENCH', 'site' => 'MAIN', 'kind' => 'machine', 'units' => 1]], [], 'crew_too_large'],
]);

it('refuses a loop once it is one: what is bought is not made of what its structure says', function () {
    $network = SoundChange::apply(putRows('bom', [['item' => 'BOARD', 'line' => '10', 'component' => 'LAMP', 'qty' => '1']]), glowWorks());
    $change = putRows('planning', [['item' => 'BOARD', 'site' => 'MAIN', 'supply' => 'make']]);

    expect(Support::refusal(fn () => SoundChange::apply($change, $network)))->toContain('contains itself')
        ->and(Support::refusal(fn () => SoundChange::apply(putRows('items', [], [['SCREW']]), $network)))
        ->toBe('SCREW is used: the structure of LAMP, stock SCREW MAIN');
});

it('refuses fields that are none', function (array $fields) {
    expect(fn () => SoundChange::decode(['change' => 'put_rows', ...$fields]))->toThrow(InvalidChange::class);
})->with([
    'orders, which are made otherwise' => [['kind' => 'orders', 'rows' => []]],
    'stock, which the ledger keeps' => [['kind' => 'stock', 'rows' => [['item' => 'GLUE', 'site' => 'MAIN', 'qty' => '5']]]],
    'no kind' => [['rows' => []]],
    'a row twice' => [['kind' => 'items', 'rows' => [['code' => 'A'], ['code' => 'A', 'unit' => 'kg']]]],
    'a row without its key' => [['kind' => 'items', 'rows' => [['name' => 'Nameless']]]],
    'no rows' => [['kind' => 'items', 'rows' => 'all']],
    'a key of two parts' => [['kind' => 'items', 'rows' => [], 'removed' => [['A', 'B']]]],
    'a key that is a number' => [['kind' => 'items', 'rows' => [], 'removed' => [[7]]]],
    'a field that is not known' => [['kind' => 'items', 'rows' => [], 'also' => 1]],
]);

it('lets what is named by what stays in the same change come with it', function () {
    $after = SoundChange::apply(putRows('calendars', [['code' => 'WEEK', 'weekdays' => '1234']]), glowWorks());

    expect($after->calendars['WEEK']->pattern())->toBe('1234')->and($after->calendars['WEEK']->exceptions())->toHaveCount(1)
        ->and(array_keys($after->calendars))->toBe(['WEEK', 'LONG']);
});

it('plans after random changes of master data what a whole run plans, and is taken back without a trace', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $contents = Support::bundle((new RandomBundle($seed, 40))->files());
    [$network, $options] = [$contents->network, $contents->options];
    $start = saidRows($network);
    $plan = Support::plan($contents);
    $undo = [];
    $one = fn (array $rows) => array_values($rows)[$random->getInt(0, count($rows) - 1)];
    for ($step = 0; $step < 6; $step++) {
        $bom = $network->bom === [] ? null : $one($network->bom);
        $planning = $one($network->planning);
        $operation = $network->operations === [] ? null : $one($network->operations);
        $change = match ($random->getInt(0, 4)) {
            0 => new PutRows(Planning::class, [$planning->with(safetyDays: $random->getInt(0, 9), leadDays: $random->getInt(0, 20))]),
            1 => $bom === null ? null : new PutRows(
                BomLine::class, [$bom->with(qty: $random->getInt(1, 9) * 1_000_000)], [Declaration::of(BomLine::class)->identity($bom)],
            ),
            2 => $bom === null ? null : new PutRows(BomLine::class, [], [Declaration::of(BomLine::class)->identity($bom)]),
            3 => $operation === null ? null : new PutRows(Operation::class, [$operation->with(run: $random->getInt(1, 60) * 1_000_000)]),
            default => new PutRows(Item::class, [], [[$one($network->items)->code]]),
        };
        try {
            $after = $change === null ? $network : SoundChange::apply($change, $network);
        } catch (DoesNotFit) {
            continue;
        }
        $change === null || array_unshift($undo, ...$change->inverse($network));
        $network = $after;
    }
    $plan = NetChange::plan($plan, $network);
    $whole = Support::plan(new Yposta\Core\Bundle\Contents($network, $options, []));
    foreach (array_keys(PlanWriter::FILES) as $file) {
        expect(Support::rows($plan, $file))->toBe(Support::rows($whole, $file));
    }
    foreach ($undo as $back) {
        $network = SoundChange::apply($back, $network, takesBack: true);
    }
    expect(saidRows($network))->toBe($start)->and($undo)->not->toBe([])
        ->and(WrittenRows::between($network, $network)->byClass())->toBe([]);
})->with(range(1, 12));

it('writes sales lines as rows, but nothing that has happened to them', function () {
    $network = glowWorks();
    $line = ['order' => 'S1', 'line' => '1', 'item' => 'LAMP', 'site' => 'MAIN', 'qty' => '5', 'due' => '2026-03-27'];
    $after = SoundChange::apply(putRows('sales', [$line, [...$line, 'line' => '2', 'customer' => 'Pier 9']]), $network);
    $say = fn (array $row) => Support::refusal(fn () => SoundChange::apply(putRows('sales', [$row]), $after));
    $shipped = $after->with(sales: [$after->sales[0]->with(shipped: 2_000_000), $after->sales[1]]);
    $held = $after->with(allocations: [Allocation::of(demand: 'sales:S1/2', supply: 'stock:LAMP@MAIN', qty: 1_000_000)]);
    $sayShipped = fn (array $row, array $removed = []) => Support::refusal(
        fn () => SoundChange::apply(putRows('sales', $row === [] ? [] : [$row], $removed), $shipped),
    );

    expect(array_map(fn (SalesLine $row) => [$row->line, $row->qty, $row->customer], $after->sales))
        ->toBe([['1', 5_000_000, ''], ['2', 5_000_000, 'Pier 9']])->and($say([...$line, 'shipped' => '1']))->toContain('not typed')
        ->and($say([...$line, 'line' => '3', 'heldUntil' => '2026-04-01']))->toContain('not typed')
        ->and($say([...$line, 'qty' => '0']))->toContain('above 0')->and($say([...$line, 'item' => 'NAIL']))->toContain("no item 'NAIL'")
        ->and($sayShipped([...$line, 'shipped' => '2', 'qty' => '1']))->toContain('shipped')
        ->and($sayShipped([...$line, 'shipped' => '2', 'item' => 'BOARD']))->toContain('has been shipped')
        ->and($sayShipped([], [['S1', '1']]))->toContain('has been shipped')->and($sayShipped([...$line, 'shipped' => '2', 'qty' => '9']))->toBe('');
    $change = putRows('sales', [], [['S1', '2']]);
    $gone = SoundChange::apply($change, $held);
    expect($gone->allocations)->toBe([])->and(count($gone->sales))->toBe(1);
    foreach ($change->inverse($held) as $back) {
        $gone = SoundChange::apply($back, $gone, takesBack: true);
    }
    expect(saidRows($gone))->toBe(saidRows($held));
});

it('counts many at once: holds are trimmed, what was owed is made good for, what is blocked stays', function () {
    $network = glowWorks();
    $network = $network->with(
        stock: [
            ...$network->stock, Stock::of(item: 'BOARD', site: 'MAIN', qty: 8_000_000, blocked: 3_000_000),
            Stock::of(item: 'LAMP', site: 'MAIN', qty: 0, owed: 2_000_000),
        ],
        allocations: [Allocation::of(demand: 'sales:S1/1', supply: 'stock:BOARD@MAIN', qty: 6_000_000)],
    );
    $change = new CountRows([
        Stock::of(item: 'BOARD', site: 'MAIN', qty: 5_000_000), Stock::of(item: 'LAMP', site: 'MAIN', qty: 1_000_000),
        Stock::of(item: 'GLUE', site: 'MAIN', qty: 1_250_000),
    ]);
    $after = SoundChange::apply($change, $network);
    $stock = array_map(fn (Stock $row) => [$row->item, $row->qty, $row->blocked, $row->owed], $after->stock);
    expect($stock)->toBe([['GLUE', 1_250_000, 0, 0], ['SCREW', 12_500_000, 0, 0], ['BOARD', 5_000_000, 3_000_000, 0], ['LAMP', 1_000_000, 0, 0]])
        ->and($after->allocations[0]->qty)->toBe(5_000_000)
        ->and(array_map(fn ($posting) => [$posting->item, $posting->qty], $change->postings($network)))
        ->toBe([['BOARD', -3_000_000], ['LAMP', 3_000_000], ['GLUE', 1_250_000]])
        ->and(Support::refusal(fn () => SoundChange::apply(new CountRows([Stock::of(item: 'SCREW', site: 'MAIN', qty: 1_234)]), $network)))->toContain('decimals')
        ->and(Support::refusal(fn () => SoundChange::apply(new CountRows([Stock::of(item: 'NAIL', site: 'MAIN', qty: 1)]), $network)))->toContain('NAIL');
    $fresh = new CountRows([Stock::of(item: 'BOARD', site: 'MAIN', qty: 1_000_000)]);
    foreach ([[$change, $network], [$fresh, glowWorks()]] as [$count, $before]) {
        $now = SoundChange::apply($count, $before);
        foreach ($count->inverse($before) as $back) {
            $now = SoundChange::apply($back, $now, takesBack: true);
        }
        expect(saidRows($now))->toBe(saidRows($before));
    }
    expect(fn () => SoundChange::decode(ChangeCodec::encode($change)))->toThrow(InvalidChange::class)
        ->and(ChangeCodec::decode(ChangeCodec::encode($change)))->toEqual($change);
});

it('knows every kind by its file', function () {
    foreach (PutRows::KINDS as $kind => $class) {
        expect(Declaration::of($class)->file->name)->toBe("{$kind}.csv");
    }
    expect(PutRows::KINDS)->toContain(CalendarWeek::class);
});
