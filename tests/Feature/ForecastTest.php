<?php

declare(strict_types=1);

use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

beforeEach(function () {
    Demo::of(dirname(__DIR__).'/cases/forecast');
    $this->actingAs(Demo::user('planner'));
});

function typeForecast(array $change = [])
{
    $cell = [...['forecast' => 'BASE', 'item' => 'KIT', 'site' => 'MAIN', 'start' => '2026-03-23', 'qty' => '21', 'version' => 1], ...$change];

    return test()->postJson('/demand/forecast', [
        'forecast' => $cell['forecast'], 'sure' => $cell['sure'] ?? false, 'key' => freshKey(),
        'rows' => [['item' => $cell['item'], 'site' => $cell['site'], 'cells' => [[$cell['start'], $cell['qty'], $cell['version']]]]],
    ]);
}

function forecastCells(string $forecast = 'BASE'): Illuminate\Database\Query\Builder
{
    return DB::table('forecast_buckets')->where('forecast', $forecast);
}

it('changes a cell, raises its version and counts as a change since the plan', function () {
    typeForecast()->assertOk()->assertJsonPath('figures', 1)->assertJsonPath('text', 'Forecast BASE of KIT from Mon 23 Mar: 15 to 21');
    $cell = forecastCells()->where('start', 'like', '2026-03-23%')->sole();

    expect([(int) $cell->qty, (int) $cell->version])->toBe([21_000_000, 2])->and(Activity::query()->latest('id')->value('description'))
        ->toBe('Forecast BASE of KIT from Mon 23 Mar: 15 to 21');
    $this->get('/plan')->assertInertia(fn ($page) => $page->where('plan.changes', 1));
});

it('asks whether a quantity is meant that is far from what stood there, and refuses what nobody means', function () {
    $asked = typeForecast(['qty' => '370000'])->assertStatus(422)->assertJsonPath('reason', 'absurd')->json('details.lines');
    expect($asked)->toBe(['KIT from Mon 23 Mar: 370,000 instead of 15'])->and(forecastCells()->where('qty', '>', 10 ** 9)->count())->toBe(0);
    typeForecast(['qty' => '0'])->assertOk();
    typeForecast(['qty' => '370000', 'version' => 2])->assertStatus(422)->assertJsonPath('reason', 'absurd'); // of an empty cell, too
    typeForecast(['qty' => '370000', 'version' => 2, 'sure' => true])->assertOk();
    typeForecast(['qty' => '9000000000000', 'version' => 3, 'sure' => true])->assertStatus(422)->assertJsonPath('reason', 'quantity');
});

it('does not count a cell that stays as it was', function () {
    typeForecast(['qty' => '15'])->assertOk()->assertJsonPath('commit', null);

    expect(Activity::query()->where('event', 'commit')->count())->toBe(0);
});

it('fills an empty cell and empties a full one', function () {
    typeForecast(['start' => '2026-04-06', 'qty' => '7', 'version' => 0])->assertOk();
    typeForecast(['qty' => ''])->assertOk();

    expect(forecastCells()->pluck('qty')->map(intval(...))->sort()->values()
        ->all())->toBe([0, 7_000_000, 10_000_000, 10_000_000, 10_000_000]);
});

it('refuses what is wrong and leaves the cell as it was', function (array $change, string $message) {
    typeForecast($change)->assertStatus(422)->assertJsonPath('message', $message);

    expect((int) DB::table('forecast_buckets')->sum('qty'))->toBe(95_000_000);
})->with([
    'negative' => [['qty' => '-1'], 'A forecast cannot be negative. It is as it was.'],
    'no number' => [['qty' => '1.5 kg'], "'1.5 kg' is not a number. The forecast is as it was."],
    'a decimal comma of what has no decimals' => [['qty' => '1,5'], 'KIT has 0 decimals, 1.5 has more. The forecast is as it was.'],
    'forty digits' => [
        ['qty' => str_repeat('1', 40)],
        "'111111111111111111111111111...' is beyond 9,000,000,000,000. The forecast is as it was.",
    ],
    'too many decimals' => [['qty' => '1.5'], 'KIT has 0 decimals, 1.5 has more. The forecast is as it was.'],
    'an unknown item' => [['item' => 'KAT'], 'There is no forecast BASE of KAT at MAIN. Nothing was changed.'],
    'a day that begins no week' => [['start' => '2026-03-24'], '2026-03-24 does not begin a week. The forecast is as it was.'],
    'a day that is none' => [['start' => '2026-02-31'], 'There is no day 2026-02-31. The forecast is as it was.'],
]);

it('tells the second of two people who type into the same cell', function () {
    typeForecast(['qty' => '30'])->assertOk();
    $this->actingAs(Demo::user('sales'));

    typeForecast(['qty' => '40'])->assertStatus(422)->assertJsonPath('reason', 'stale')->assertJsonPath('details.qty', '30')
        ->assertJsonPath('message', 'Someone else has put 30 there meanwhile. Your 40 was not taken; look and type it again.');
});

it('shows what orders consume and what is left, as the core computes it', function () {
    $page = json_decode((string) json_encode($this->get('/demand?view=forecast&forecast=BASE')->assertInertia()->viewData('page')['props']), true);
    $at = array_search('2026-03-02', array_column($page['periods'], 'start'), true);
    $row = $page['rows'][0];

    expect([$page['forecasts'][0]['code'], $page['forecasts'][0]['isCounted'], $page['bucket']])->toBe(['BASE', true, 'week'])
        ->and($page['periods'][$at])->toBe(['start' => '2026-03-02', 'end' => '2026-03-08', 'isOpen' => true])
        ->and($page['periods'][$at - 1]['isOpen'])->toBeFalse()
        ->and([$row['qty'][$at], $row['consumed'][$at], $row['left'][$at], $row['versions'][$at]])->toBe(['10', '5', '5', 1])
        ->and($row['left'][$at + 3])->toBe('3');
});

it('plans the changed forecast in the next run', function () {
    typeForecast(['qty' => '100', 'sure' => true])->assertOk();
    $this->postJson('/runs', [])->assertOk()->assertJsonPath('status', 'done');

    expect(DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('due', 'like', '2026-03-23%')
        ->value('qty'))->toBe(88_000_000);
});

/** @param  array<string, array<string, string|array{string, int}>>  $rows  figures by first day, by item; with a version where it is not that of now */
function writeFigures(array $rows, array $more = [])
{
    $sent = [];
    foreach ($rows as $item => $cells) {
        $list = [];
        foreach ($cells as $start => $figure) {
            [$text, $version] = is_array($figure) ? $figure : [
                $figure, (int) forecastCells($more['forecast'] ?? 'BASE')->where('item_code', $item)->where('start', 'like', "{$start}%")->value('version'),
            ];
            $list[] = [$start, $text, $version];
        }
        $sent[] = ['item' => $item, 'site' => 'MAIN', 'cells' => $list];
    }

    return test()->postJson('/demand/forecast', ['forecast' => 'BASE', 'rows' => $sent, 'sure' => true, 'key' => freshKey(), ...$more]);
}

/** @return array<string, float> figures of an item by first day */
function figuresOf(string $item, string $forecast = 'BASE'): array
{
    return forecastCells($forecast)->where('item_code', $item)->orderBy('start')->get()
        ->mapWithKeys(fn ($cell) => [substr($cell->start, 0, 10) => $cell->qty / 1e6])->all();
}

it('writes a block as one commit that is taken back whole', function () {
    $before = DB::table('forecast_buckets')->orderBy('id')->get(['item_code', 'start', 'qty'])->toJson();
    $answer = writeFigures(['KIT' => ['2026-03-09' => '12', '2026-03-16' => '', '2026-04-27' => '8']])->assertOk()
        ->assertJsonPath('figures', 3)->assertJsonPath('text', 'Forecast BASE: 3 figures of 1 items')->json();
    expect(figuresOf('KIT'))->toMatchArray(['2026-03-09' => 12.0, '2026-03-16' => 0.0, '2026-04-27' => 8.0])
        ->and(DB::table('commits')->count())->toBe(1);
    $this->postJson("/journal/{$answer['commit']}/undo", ['key' => freshKey()])->assertOk();
    expect(DB::table('forecast_buckets')->orderBy('id')->get(['item_code', 'start', 'qty'])->toJson())->toBe($before);
});

it('writes nothing where one figure of a block is wrong, stale or twice', function (array $cells, string $reason) {
    $sum = DB::table('forecast_buckets')->sum('qty');
    writeFigures(['KIT' => ['2026-03-09' => '12', ...$cells]])->assertStatus(422)->assertJsonPath('reason', $reason);

    expect(DB::table('forecast_buckets')->sum('qty'))->toBe($sum)->and(DB::table('commits')->count())->toBe(0);
})->with([
    'no number' => [['2026-03-16' => 'many'], 'quantity'],
    'someone else was there' => [['2026-03-16' => ['3', 7]], 'stale'],
    'no week' => [['2026-03-17' => '3'], 'date'],
    'a week that has passed' => [['2026-02-16' => '3'], 'closed'],
    'beyond what an order may have' => [['2026-03-16' => '2000000000'], 'quantity'],
]);

it('refuses what are no figures', function (mixed $rows) {
    $this->postJson('/demand/forecast', ['forecast' => 'BASE', 'rows' => $rows, 'key' => freshKey()])->assertStatus(422);

    expect(DB::table('commits')->count())->toBe(0);
})->with([
    'none' => [[[]]], 'text' => [['KIT']], 'a row without cells' => [[['item' => 'KIT', 'site' => 'MAIN', 'cells' => []]]],
    'a cell that is text' => [[['item' => 'KIT', 'site' => 'MAIN', 'cells' => ['2026-03-16']]]],
    'a version that is text' => [[['item' => 'KIT', 'site' => 'MAIN', 'cells' => [['2026-03-16', '4', '1']]]]],
    'a figure that is a list' => [[['item' => 'KIT', 'site' => 'MAIN', 'cells' => [['2026-03-16', ['4'], 1]]]]],
]);

it('is written once, however often it is sent', function () {
    $send = fn () => writeFigures(['KIT' => ['2026-03-23' => ['+100 %', 1]]], ['key' => str_repeat('k', 20)]);
    $first = $send()->assertOk()->json();
    $send()->assertOk()->assertExactJson($first);

    expect(figuresOf('KIT')['2026-03-23'])->toBe(30.0)->and(DB::table('commits')->count())->toBe(1);
});

it('takes percentages of what stands there, to the nearest step of the item', function () {
    writeFigures(['KIT' => ['2026-03-02' => '+25 %', '2026-03-23' => '-50%', '2026-05-04' => '+10 %']])->assertOk()->assertJsonPath('figures', 2);

    expect(figuresOf('KIT'))->toMatchArray(['2026-03-02' => 13.0, '2026-03-23' => 8.0])->not->toHaveKey('2026-05-04');
    writeFigures(['KIT' => ['2026-03-02' => '+99999999999 %']])->assertStatus(422);
});

it('reads thousands and decimals as the block tells, and asks where it does not', function () {
    writeFigures(['KIT' => ['2026-03-02' => '1,234']])->assertStatus(422)->assertJsonPath('reason', 'decimal')->assertJsonPath('details.number', '1,234');
    writeFigures(['KIT' => ['2026-03-02' => '1,234']], ['decimal' => 'point'])->assertOk();
    expect(figuresOf('KIT')['2026-03-02'])->toBe(1234.0);
    writeFigures(['KIT' => ['2026-03-02' => '2.345', '2026-03-09' => '1.234.567,00']])->assertOk();
    expect(figuresOf('KIT'))->toMatchArray(['2026-03-02' => 2345.0, '2026-03-09' => 1234567.0]);
});

it('brings an item into a forecast with its first figure, in the periods that are asked for', function () {
    DB::table('items')->insert(['code' => 'EXTRA', 'name' => 'Extra', 'unit' => 'pcs', 'decimals' => 0, 'phantom' => false, 'unit_cost' => 0]);
    writeFigures(['EXTRA' => ['2026-03-18' => '']])->assertStatus(422);
    writeFigures(['EXTRA' => ['2026-03-18' => '']], ['bucket' => 'month'])->assertOk()->assertJsonPath('figures', 1);
    expect(figuresOf('EXTRA'))->toBe(['2026-03-01' => 0.0]);
    writeFigures(['EXTRA' => ['2026-04-06' => '5']], ['bucket' => 'week'])->assertStatus(422)->assertJsonPath('reason', 'date'); // it is kept in months
    writeFigures(['EXTRA' => ['2026-04-01' => '44']])->assertOk();

    // shown in weeks it is shared out over working days, and not typed there
    $rows = $this->getJson('/demand/forecast-rows?forecast=BASE&size=week&q=EXTRA')->assertOk()->json('rows');
    $months = $this->getJson('/demand/forecast-rows?forecast=BASE&size=month')->assertOk()->json('rows');
    expect([$rows[0]['isTyped'], $rows[0]['bucket'], array_sum($rows[0]['qty'])])->toBe([false, 'month', 44])
        ->and(count(array_filter($rows[0]['qty'], floatval(...))))->toBe(5)
        ->and(array_column($months, 'isTyped', 'item'))->toMatchArray(['EXTRA' => true, 'KIT' => false])
        ->and(array_sum(array_column($months, 'qty', 'item')['KIT']))->toBe((int) array_sum(figuresOf('KIT')));
    $asked = $this->getJson('/demand/forecast-rows?'.http_build_query(['forecast' => 'BASE', 'points' => "EXTRA\x1fMAIN\nGHOST\x1fMAIN"]))->assertOk()->json();
    expect(array_column($asked['rows'], 'item'))->toBe(['EXTRA']);
});

it('names a forecast with a purpose and days, and types nothing outside of them', function () {
    $keep = fn (array $given) => $this->postJson('/demand/forecasts', ['new' => true, 'key' => freshKey(), ...$given]);
    $keep(['code' => 'BASE'])->assertStatus(422)->assertJsonPath('reason', 'known');
    $keep(['code' => 'SPRING', 'begins' => '2026-04-01', 'ends' => '2026-03-01'])->assertStatus(422);
    $keep(['code' => 'SPRING', 'purpose' => 'What the fair brings', 'begins' => '2026-03-16', 'ends' => '2026-04-19'])->assertOk();
    writeFigures(['KIT' => ['2026-03-09' => ['5', 0]]], ['forecast' => 'SPRING', 'bucket' => 'week'])->assertStatus(422)->assertJsonPath('reason', 'closed');
    writeFigures(['KIT' => ['2026-03-16' => ['5', 0], '2026-04-13' => ['6', 0]]], ['forecast' => 'SPRING', 'bucket' => 'week'])->assertOk();
    $page = json_decode((string) json_encode($this->get('/demand?view=forecast&forecast=SPRING')->viewData('page')['props']), true);
    expect(array_column(array_filter($page['periods'], fn ($period) => $period['isOpen']), 'start'))
        ->toBe(['2026-03-16', '2026-03-23', '2026-03-30', '2026-04-06', '2026-04-13'])
        ->and(array_values(array_filter($page['forecasts'], fn ($one) => $one['code'] === 'SPRING')))
        ->toBe([['code' => 'SPRING', 'purpose' => 'What the fair brings', 'begins' => '2026-03-16', 'ends' => '2026-04-19', 'bucket' => 'week', 'isCounted' => false]]);

    $away = fn (string $forecast) => $this->deleteJson('/demand/forecasts', ['forecast' => $forecast, 'key' => freshKey()]);
    $away('BASE')->assertStatus(422)->assertJsonPath('reason', 'counted');
    $away('NONE')->assertStatus(422);
    $commit = $away('SPRING')->assertOk()->json('commit');
    expect(figuresOf('KIT', 'SPRING'))->toBe([])->and(DB::table('forecast_names')->count())->toBe(0);
    $this->postJson("/journal/{$commit}/undo", ['key' => freshKey()])->assertOk();
    expect(figuresOf('KIT', 'SPRING'))->toBe(['2026-03-16' => 5.0, '2026-04-13' => 6.0])->and(DB::table('forecast_names')->value('purpose'))->toBe('What the fair brings');
});

it('copies another forecast, a year before and what was ordered then', function () {
    $copy = fn (array $given) => $this->postJson('/demand/forecast/copy', [
        'forecast' => 'NEXT', 'source' => 'forecast', 'from' => 'BASE', 'percent' => 150, 'points' => [], 'sure' => true, 'key' => freshKey(), ...$given,
    ]);
    $copy([])->assertOk()->assertJsonPath('text', 'Forecast NEXT: 4 figures copied of forecast BASE at 150 %');
    expect(figuresOf('KIT', 'NEXT'))->toBe(['2026-03-02' => 15.0, '2026-03-09' => 15.0, '2026-03-16' => 15.0, '2026-03-23' => 23.0]);
    $copy(['from' => 'GHOST'])->assertStatus(422)->assertJsonPath('reason', 'none');
    $copy(['from' => 'NEXT'])->assertStatus(422)->assertJsonPath('reason', 'source');
    $copy(['source' => 'year'])->assertStatus(422)->assertJsonPath('reason', 'none');

    // 2 March 2026 is 52 weeks after 3 March 2025
    DB::table('forecast_buckets')->insert(['forecast' => 'NEXT', 'item_code' => 'KIT', 'site_code' => 'MAIN', 'bucket' => 'week', 'start' => '2025-03-03', 'qty' => 8_000_000]);
    $copy(['source' => 'year', 'percent' => 100])->assertOk()->assertJsonPath('figures', 1);
    expect(figuresOf('KIT', 'NEXT')['2026-03-02'])->toBe(8.0);
    $line = ['order_code' => 'OLD', 'item_code' => 'KIT', 'site_code' => 'MAIN', 'customer' => '', 'priority' => 5];
    DB::table('sales_lines')->insert([...$line, 'line' => '1', 'qty' => 3_000_000, 'shipped' => 3_000_000, 'due' => '2025-03-12']);
    DB::table('sales_lines')->insert([...$line, 'line' => '2', 'qty' => 4_000_000, 'shipped' => 0, 'due' => '2025-03-14']);
    $copy(['source' => 'ordered', 'percent' => 200, 'points' => ["KIT\x1fMAIN"]])->assertOk()->assertJsonPath('figures', 1);
    expect(figuresOf('KIT', 'NEXT')['2026-03-09'])->toBe(14.0);
});

it('shows an item over time with the balance of now, and how far the forecast was off', function () {
    $ask = fn () => $this->getJson('/demand/outlook?forecast=BASE&item=KIT&at=MAIN&size=week')->assertOk()->json();
    $of = fn (array $answer, string $start) => collect($answer['periods'])->firstWhere('start', $start);
    $before = $ask();
    expect([$before['mape'], $before['passed'], $before['isCounted'], $before['trouble']])->toBe([null, 0, true, null])
        ->and($of($before, '2026-03-02'))->toMatchArray(['forecast' => '10', 'left' => '5', 'hasPassed' => false])
        ->and($of($before, '2026-03-23')['balance'])->not->toBeNull();
    // typed figures are in the balances at once, before any run
    DB::table('planning_data')->where('item_code', 'KIT')->update(['frozen_days' => 60]);
    Spatie\Activitylog\Facades\Activity::event('data')->log('changed beside the application');
    $frozen = $ask();
    writeFigures(['KIT' => ['2026-03-23' => '25']])->assertOk();
    expect((float) $of($frozen, '2026-03-23')['balance'] - (float) $of($ask(), '2026-03-23')['balance'])->toBe(10.0);

    foreach (['2026-02-02' => [10, 8], '2026-02-09' => [10, 20], '2026-02-16' => [0, 4]] as $start => [$forecast, $ordered]) {
        $cell = ['forecast' => 'BASE', 'item_code' => 'KIT', 'site_code' => 'MAIN', 'bucket' => 'week', 'start' => $start, 'qty' => $forecast * 1_000_000];
        DB::table('forecast_buckets')->insert($cell);
        DB::table('sales_lines')->insert([
            'order_code' => "OLD-{$start}", 'line' => '1', 'item_code' => 'KIT', 'site_code' => 'MAIN', 'customer' => '', 'priority' => 5,
            'qty' => $ordered * 1_000_000, 'shipped' => $ordered * 1_000_000, 'due' => $start,
        ]);
    }
    Spatie\Activitylog\Facades\Activity::event('data')->log('changed beside the application');
    $after = $ask();
    // |10-8|/8, |10-20|/20 and |0-4|/4: 25, 50 and 100 %; 20 forecast of 32 ordered
    expect([$after['mape'], $after['bias'], $after['passed']])->toBe([583, -375, 3])
        ->and($of($after, '2026-02-09'))->toMatchArray(['forecast' => '10', 'ordered' => '20', 'hasPassed' => true]);
    $this->getJson('/demand/outlook?forecast=BASE&item=GHOST&at=MAIN')->assertStatus(422);
});

it('is for whom the forecast is for', function (string $role) {
    $this->actingAs(Demo::user($role));
    typeForecast()->assertForbidden();
    $this->postJson('/demand/forecasts', ['code' => 'X', 'new' => true, 'key' => freshKey()])->assertForbidden();
    $this->deleteJson('/demand/forecasts', ['forecast' => 'BASE', 'key' => freshKey()])->assertForbidden();
    $this->postJson('/demand/forecast/copy', ['forecast' => 'X', 'source' => 'forecast', 'from' => 'BASE', 'percent' => 100, 'key' => freshKey()])->assertForbidden();
    $this->getJson('/demand/forecast-rows?forecast=BASE')->assertOk();

    expect(DB::table('commits')->count() + DB::table('forecast_names')->count())->toBe(0);
})->with(['viewer', 'buyer', 'stores']);
