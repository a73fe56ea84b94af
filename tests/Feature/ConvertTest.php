<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

/** A company where one supplier is asked for two items, and one is made of them. */
function convertCompany(): Run
{
    return Demo::of(folderWith([
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n", 'calendars.csv' => "calendar,weekdays\nWORK,12345\n",
        'sites.csv' => "site,name,calendar\nMAIN,Main plant,WORK\nDEPOT,Depot,WORK\n",
        'suppliers.csv' => "supplier,name,currency\nSUP,Sundry Parts,EUR\nOTHER,Other Parts,EUR\n",
        'items.csv' => "item,name,unit,decimals\nTOP,Top,pcs,0\nA,Part A,pcs,0\nB,Part B,kg,2\nLOST,Nobody sells it,pcs,0\n",
        'planning.csv' => "item,site,supply,lead_days,supplier,from_site\nTOP,MAIN,make,3,,\nTOP,DEPOT,transfer,2,,MAIN\nA,MAIN,buy,5,SUP,\nB,MAIN,buy,5,SUP,\nLOST,MAIN,buy,5,,\n",
        'supplier_items.csv' => "supplier,item,lead_days,price,rank\nSUP,A,5,2.5,1\nOTHER,A,3,4,2\nSUP,B,5,10,1\n",
        'bom.csv' => "item,line,component,qty,offset_days\nTOP,10,A,2,\nTOP,20,B,0.25,1\nTOP,30,LOST,1,\n",
        'sales.csv' => "order,line,item,site,qty,due,customer\nS1,1,TOP,MAIN,10,2026-03-20,Ferry Co\nS2,1,TOP,DEPOT,4,2026-04-10,Ferry Co\nS3,1,A,MAIN,3,2026-03-04,Ferry Co\n",
    ]));
}

/** Numbers of the live proposals by item and site, in order. */
function numbersOf(string $item, string $site = 'MAIN'): array
{
    return DB::table('plan_supplies as s')->join(
        'plan_points as p',
        fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'),
    )->where('s.run_id', Run::live()->id)
        ->where('s.kind', 'proposal')->where('p.item_code', $item)->where('p.site_code', $site)->orderBy('s.n')->pluck('s.name')->map(fn ($value) => (int) $value)->all();
}

function convertLines(array $lines, array $more = [])
{
    return test()->postJson(
        '/proposals/convert',
        ['run' => Run::live()->id, 'key' => bin2hex(random_bytes(12)), 'lines' => $lines, ...$more],
    );
}

beforeEach(function () {
    $this->run = convertCompany();
    $this->actingAs(Demo::user('planner'));
});

it('makes one purchase order for each supplier and site and one production order for each proposal', function () {
    $lines = array_map(
        fn (int $number) => ['number' => $number],
        [...numbersOf('A'), ...numbersOf('B'), ...numbersOf('TOP'), ...numbersOf('TOP', 'DEPOT')],
    );
    convertLines($lines)->assertOk()->assertJsonPath('message', '1 purchase order, 2 production orders and 1 transfer order made.')
        ->assertJsonCount(4, 'orders');

    $purchase = Order::query()->where('kind', 'buy')->sole();
    expect($purchase->supplier_code)->toBe('SUP')->and($purchase->status)->toBe('firm')
        ->and($purchase->lines->pluck('code')
            ->all())->toBe(array_map(fn (int $n) => "{$purchase->code}.{$n}", range(1, count($purchase->lines))))
        ->and($purchase->lines->every(fn (OrderLine $line) => $line->run_id === $this->run->id && $line->proposal !== null))->toBeTrue()
        ->and($purchase->lines->where('item_code', 'A')->first()->price)->toBe(2_500_000);

    $production = OrderLine::query()->where('item_code', 'TOP')->whereHas('order', fn ($query) => $query->where('kind', 'make'))
        ->orderBy('due')->first();
    expect($production->components->map(fn ($row) => [$row->line, $row->item_code, (int) $row->qty, substr($row->need, 0, 10)])->all())
        ->toBe([['10', 'A', 20_000_000, '2026-03-17'], ['20', 'B', 2_500_000, '2026-03-18'], ['30', 'LOST', 10_000_000, '2026-03-17']])
        ->and(Activity::query()->where('event', 'commit')
            ->sole()->description)->toContain('Make 10 pcs TOP at MAIN')->toContain('from SUP');
});

it('proposes nothing twice: a second run after converting all has nothing left', function () {
    $lines = DB::table('plan_supplies')->where('run_id', $this->run->id)->where('kind', 'proposal')->pluck('name')
        ->map(fn ($name) => ['number' => (int) $name, 'way' => null])->all();
    foreach ($lines as &$line) {
        in_array($line['number'], numbersOf('LOST'), true) && $line['way'] = 'buy:OTHER';
    }
    convertLines($lines)->assertOk();
    $again = app(StartRun::class)([], null);

    expect($again->summary['proposals'])->toBe(0)->and($again->status)->toBe('done');
});

it('gives a purchase that cannot come in time the date on which it can', function () {
    convertLines([['number' => numbersOf('A')[0]]])->assertOk();

    expect(OrderLine::query()->sole()->due)->toStartWith('2026-03-09');
});

it('says what it would make of what is picked, with the value of what was typed, and makes nothing', function () {
    $a = numbersOf('A');
    $b = numbersOf('B');
    $lost = numbersOf('LOST')[0];
    $made = numbersOf('TOP')[0];
    $lines = [
        ['number' => $a[0], 'qty' => '30'], ['number' => $b[0], 'qty' => '1.25'], ['number' => $a[1], 'way' => 'buy:OTHER', 'qty' => '2'],
        ['number' => $b[1], 'qty' => '1.234'], ['number' => $lost], ['number' => $made], ['number' => 999_999],
    ];
    $sees = fn (array $picked) => $this->postJson('/proposals/preview', ['run' => $this->run->id, 'picked' => $picked, 'lines' => $lines])
        ->assertOk()->json();
    $seen = $sees([$a[0], $b[0], $made]);

    expect($seen['message'])->toBe('1 purchase order and 1 production order')->and($seen['worth'])->toBe('88 EUR')
        ->and(array_column($seen['orders'], 'lines'))->toBe([['30 pcs A', '1.25 kg B'], ['10 pcs TOP']])
        ->and($seen['orders'][0])->toMatchArray(['title' => 'Sundry Parts for Main plant', 'value' => '88', 'currency' => 'EUR'])
        ->and(array_column($seen['lines'], 'value', 'number'))
        ->toBe([$a[0] => '75', $b[0] => '13', $a[1] => '8', $b[1] => null, $lost => null, $made => null])
        ->and($seen['lines'][3]['trouble'])->toContain('more decimals')->and($seen['lines'][4]['trouble'])->toContain('no supplier')
        ->and($sees([])['orders'])->toBe([])->and(Order::query()->count())->toBe(0);
    $this->postJson('/proposals/preview', ['run' => $this->run->id + 1, 'picked' => [], 'lines' => $lines])->assertNotFound();
});

it('reckons the date anew for another supplier', function () {
    convertLines([['number' => numbersOf('A')[0], 'way' => 'buy:OTHER']])->assertOk();

    expect(OrderLine::query()->sole()->due)->toStartWith('2026-03-05');
});

it('makes one order of a request that is sent twice', function () {
    $body = ['run' => $this->run->id, 'key' => 'a double click, sent twice', 'lines' => [['number' => numbersOf('B')[0]]]];
    $first = $this->postJson('/proposals/convert', $body)->assertOk()->json();
    $second = $this->postJson('/proposals/convert', $body)->assertOk()->json();

    expect($second)->toBe($first)->and(Order::query()->count())->toBe(1);
    $this->actingAs(Demo::user('buyer'))->postJson('/proposals/convert', $body)->assertStatus(422);
    expect(Order::query()->count())->toBe(1);
});

it('tells the second of two people who convert the same proposal, and makes nothing of the rest', function () {
    [$number] = numbersOf('B');
    convertLines([['number' => $number]])->assertOk();
    $code = Order::query()->sole()->code;
    $this->actingAs(Demo::user('buyer'));

    convertLines([['number' => numbersOf('A')[0]], ['number' => $number]])->assertStatus(422)->assertJsonPath('reason', 'converted')
        ->assertJsonPath('message', "Proposal {$number} was already made into {$code} by Ivo Marlin. Nothing more was ordered; the list has been refreshed.");
    expect(Order::query()->count())->toBe(1)->and(DB::table('conversions')->count())->toBe(1);
});

it('takes a changed quantity, date and supplier, and works the components out anew', function () {
    convertLines([
        ['number' => numbersOf('A')[1], 'qty' => '25', 'due' => '2026-03-16', 'way' => 'buy:OTHER'], ['number' => numbersOf('B')[0]],
        ['number' => numbersOf('TOP')[0], 'qty' => '15'],
    ], ['agreed' => true])->assertOk()->assertJsonCount(3, 'orders');
    $line = OrderLine::query()->where('item_code', 'A')->sole();

    expect($line->qty)->toBe(25_000_000)->and($line->due)->toStartWith('2026-03-16')->and($line->start)->toStartWith('2026-03-11')
        ->and($line->price)->toBe(4_000_000)
        ->and($line->order->supplier_code)->toBe('OTHER')
        ->and(OrderLine::query()->where('item_code', 'TOP')->sole()->components->pluck('qty', 'item_code')
            ->all())->toBe(['A' => 30_000_000, 'B' => 3_750_000, 'LOST' => 15_000_000]);
});

it('asks about a quantity that is absurd against its need, and orders it when told so', function () {
    $lines = [['number' => numbersOf('TOP')[0], 'qty' => '5000']];
    convertLines($lines)->assertStatus(422)->assertJsonPath('reason', 'absurd')
        ->assertJsonPath('details.lines.0', 'TOP: 5,000 pcs instead of the proposed 10 pcs');
    expect(Order::query()->count())->toBe(0);
    convertLines($lines, ['sure' => true])->assertOk();
    expect(OrderLine::query()->sole()->qty)->toBe(5_000_000_000);
});

it('asks about a changed line that its supplier does not deliver so: too few, or no multiple', function () {
    DB::table('supplier_items')->where(['supplier_code' => 'OTHER', 'item_code' => 'A'])->update(['min_qty' => 40_000_000, 'multiple' => 10_000_000]);
    [$late, $number] = numbersOf('A');
    $lines = [['number' => $number, 'qty' => '25', 'way' => 'buy:OTHER']];
    convertLines($lines)->assertStatus(422)->assertJsonPath('reason', 'absurd')->assertJsonPath('details.lines', [
        'A: 25 pcs is less than the least quantity of 40 pcs', 'A: 25 pcs is no multiple of 10 pcs',
    ]);
    expect(Order::query()->count())->toBe(0);

    convertLines([['number' => $number, 'qty' => '40', 'way' => 'buy:OTHER']], ['agreed' => true])->assertOk();
    convertLines([['number' => $late, 'way' => 'buy:OTHER']], ['agreed' => true])->assertStatus(422)->assertJsonPath('reason', 'absurd');
    convertLines([['number' => $late]], ['agreed' => true])->assertOk(); // as it is proposed: nobody is asked
});

it('refuses what is wrong, says what, and orders nothing', function (array $change, string $message) {
    convertLines([['number' => numbersOf('B')[0], ...$change]])->assertStatus(422);
    convertLines([['number' => numbersOf('A')[0]], ['number' => numbersOf('B')[0], ...$change]])->assertStatus(422)
        ->assertJsonPath('message', $message);

    expect(Order::query()->count())->toBe(0)->and(DB::table('conversions')->count())->toBe(0);
})->with([
    'negative' => [['qty' => '-3'], 'The quantity of B must be above 0. Nothing was ordered.'],
    'zero' => [['qty' => '0'], 'The quantity of B must be above 0. Nothing was ordered.'],
    'forty digits' => [
        ['qty' => str_repeat('9', 40)],
        "The quantity of B: '999999999999999999999999999...' is beyond 9,000,000,000,000. Nothing was ordered.",
    ],
    'no number' => [['qty' => 'many'], "The quantity of B: 'many' is not a number. Nothing was ordered."],
    'too many decimals' => [['qty' => '1.234'], 'The quantity of B has more decimals than the item, which has 2. Nothing was ordered.'],
    'a day that is none' => [['due' => '2026-02-31'], 'The date of B: there is no day 2026-02-31. Nothing was ordered.'],
    'a day that has passed' => [['due' => '2026-02-27'], 'The date of B has passed. Nothing was ordered.'],
    'an unknown supplier' => [['way' => 'buy:GHOST'], 'B cannot be got in that way any more. Look at the proposal again; nothing was ordered.'],
]);

it('refuses a proposal without a supplier until one is chosen', function () {
    $number = numbersOf('LOST')[0];
    convertLines([['number' => $number]])->assertStatus(422)->assertJsonPath('reason', 'supplier')
        ->assertJsonPath('message', 'LOST has no supplier. Choose one first; nothing was ordered.');
    convertLines([['number' => $number, 'way' => 'buy:OTHER']])->assertOk();
});

it('refuses proposals that are not there, twice the same, none, or of a plan that has been replaced', function () {
    convertLines([['number' => 9999]])->assertStatus(422)
        ->assertJsonPath('message', 'There is no proposal 9999 in this plan. Nothing was ordered.');
    $number = numbersOf('B')[0];
    convertLines([['number' => $number], ['number' => $number]])->assertStatus(422);
    convertLines([])->assertStatus(422);
    app(StartRun::class)([], null);
    convertLines([['number' => $number]], ['run' => $this->run->id])->assertStatus(422)->assertJsonPath('reason', 'stale');
    expect(Order::query()->count())->toBe(0);
});

/** A company whose only customer needs 10 on an early date and 30 later; both are bought with a lead time of two days. */
function earlyAndLate(): void
{
    Demo::of(folderWith([
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n", 'calendars.csv' => "calendar,weekdays\nWORK,12345\n",
        'sites.csv' => "site,name,calendar\nMAIN,Main plant,WORK\n",
        'suppliers.csv' => "supplier,name,currency\nSUP,Sundry Parts,EUR\n",
        'items.csv' => "item,name,unit,decimals\nA,Part A,pcs,0\nB,Part B,pcs,0\n",
        'planning.csv' => "item,site,supply,lead_days,supplier\nA,MAIN,buy,2,SUP\nB,MAIN,buy,2,SUP\n",
        'sales.csv' => "order,line,item,site,qty,due,customer\nS1,1,A,MAIN,10,2026-03-09,Ferry Co\nS2,1,A,MAIN,30,2026-03-20,Isle Survey\nS3,1,B,MAIN,5,2026-03-11,Ferry Co\n",
    ]));
    test()->actingAs(Demo::user('planner'));
}

it('plans a conversion first: says whom it would make wait, and what to take along so that nobody has to', function () {
    earlyAndLate();
    [$early, $late] = numbersOf('A');
    $refused = convertLines([['number' => $late], ['number' => numbersOf('B')[0]]])->assertStatus(422)->assertJsonPath('reason', 'delays')
        ->assertJsonPath('message', '1 customer line would come later. Nothing was ordered yet.')->json('details');

    expect($refused['lines'][0])->toMatchArray([
        'label' => 'S1/1', 'customer' => 'Ferry Co', 'before' => '2026-03-09', 'after' => '2026-03-20', 'days' => 11,
    ])
        ->and($refused['along'])->toBe([[
            'number' => $early, 'item' => 'A', 'name' => 'Part A', 'qty' => '10', 'unit' => 'pcs', 'due' => '2026-03-09',
        ]])
        ->and($refused['left'])->toBe(0)->and(Order::query()->count())->toBe(0);
    convertLines([['number' => $late], ['number' => $early]])->assertOk();
    expect(app(StartRun::class)([], null)->summary['lateLines'])->toBe(0);
});

it('converts a part all the same when the person has seen whom it makes wait', function () {
    earlyAndLate();
    convertLines([['number' => numbersOf('A')[1]]], ['agreed' => true])->assertOk();

    expect(app(StartRun::class)([], null)->summary['lateLines'])->toBe(1);
});

it('is in the journal and can be undone as a whole, and its proposals can then be converted again', function () {
    $lines = array_map(fn (int $number) => ['number' => $number], [...numbersOf('B'), ...numbersOf('TOP')]);
    $before = fn () => [DB::table('order_lines')->where('cancelled', false)->count(), DB::table('conversions')->count()];
    $empty = $before();
    $commit = convertLines($lines)->assertOk()->json('commit');
    expect($before())->toBe([count($lines), count($lines)]);
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk();
    expect($before())->toBe($empty);
    convertLines($lines)->assertOk();
    expect($before())->toBe([count($lines), count($lines)]);
});

it('converts forty proposals in few queries', function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $numbers = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')
        ->whereNot(fn ($query) => $query->where('type', 'buy')->whereNull('supplier_code'))->orderBy('start')->limit(40)->pluck('name');
    DB::enableQueryLog();
    convertLines($numbers->map(fn ($name) => ['number' => (int) $name])->all(), ['agreed' => true])->assertOk();

    expect(count(DB::getQueryLog()))->toBeLessThan(75)->and(DB::table('conversions')->count())->toBe(40);
});

it('finds what only has to be ordered: in time, sold by somebody, with nothing said against it', function () {
    $ready = $this->getJson('/proposals/ready?until=all')->assertOk()->json();
    $planned = DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
        ->where('s.run_id', $this->run->id)->where('s.kind', 'proposal')->get(['s.name', 's.type', 's.supplier_code', 's.start', 's.due', 's.available', 's.waits_for', 'p.item_code']);
    $said = DB::table('plan_messages')->where('run_id', $this->run->id)->where('reference', 'like', 'proposal:%')->pluck('reference')->all();
    $expected = $planned->filter(fn ($row) => substr($row->start, 0, 10) >= '2026-03-02' && $row->available <= $row->due && $row->waits_for === null
        && ($row->type !== 'buy' || $row->supplier_code !== null) && ! in_array("proposal:{$row->name}", $said, true))->pluck('name')->map(fn ($name) => (int) $name);
    expect(array_column($ready, 'number'))->toEqualCanonicalizing($expected->values()->all())->not->toBe([])
        ->and(array_column($ready, 'item'))->not->toContain('LOST')
        ->and(count($ready))->toBeLessThan($planned->count());
    // a pick of them is converted as it is
    convertLines(array_map(fn (array $row) => ['number' => $row['number']], $ready), ['agreed' => true])->assertOk();
    expect($this->getJson('/proposals/ready?until=all')->json())->toBe([]);
});
