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
    expect($asked)->toBe(['KIT: 370,000 instead of 15'])->and(forecastCells()->where('qty', '>', 10 ** 9)->count())->toBe(0);
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
