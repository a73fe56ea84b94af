<?php

declare(strict_types=1);

use App\Models\MasterItem;
use App\Models\Run;
use App\Support\Journal;
use App\Support\Settings;
use App\Support\Worker;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    $this->first = Demo::of(dirname(__DIR__).'/cases/worked');
    $this->actingAs(Demo::user('planner'));
});

it('plans with what was chosen and sums up against the plan before', function () {
    DB::table('sales_lines')->update(['qty' => 70_000_000]);
    $this->postJson('/runs', ['horizonEnd' => '2026-05-31', 'bucket' => 'day'])->assertOk()->assertJsonPath('status', 'done')
        ->assertJsonPath('stage', null)
        ->assertJsonPath('figures.4.label', 'Proposals')->assertJsonPath('figures.4.value', '5')->assertJsonPath('figures.4.change', '+1');

    expect(Run::live()->horizon_end)->toStartWith('2026-05-31')->and(Run::live()->parameters['bucket'])->toBe('day')
        ->and($this->first->refresh()->current)->toBeFalse();
});

it('keeps the horizon\'s length, the plan date and the defaults when nothing is chosen', function () {
    $this->postJson('/runs', [])->assertOk();

    expect(substr(Run::live()->plan_date, 0, 10))->toBe('2026-03-02')->and(substr(Run::live()->horizon_end, 0, 10))->toBe('2026-04-30');
});

it('plans only what is sold and what goes into it when asked to', function () {
    MasterItem::query()->create(['code' => 'LONE', 'name' => 'Lone', 'unit' => '', 'decimals' => 0, 'phantom' => false, 'unit_cost' => 0]);
    DB::table('planning_data')->insert([
        'item_code' => 'LONE', 'site_code' => 'MAIN', 'supply' => 'buy', 'lead_days' => 0, 'supplier_code' => 'SUP',
        'safety_stock' => 5_000_000, 'safety_days' => 0, 'lot_rule' => 'lot_for_lot', 'group_days' => 1, 'frozen_days' => 0,
    ]);
    $this->postJson('/runs', [])->assertJsonPath('figures.4.value', '5');
    $this->postJson('/runs', ['soldOnly' => true, 'agreed' => true])->assertJsonPath('figures.4.value', '4');
});

it('takes all sites and levels when they are chosen, whatever the installation\'s defaults', function () {
    Settings::set(Settings::RUN_DEFAULTS, [...Settings::get(Settings::RUN_DEFAULTS), 'items' => ['ROD'], 'sites' => ['MAIN']]);
    $this->postJson('/runs', ['agreed' => true])->assertJsonPath('figures.4.value', '0');
    $this->postJson('/runs', ['sites' => ['MAIN'], 'soldOnly' => false])->assertJsonPath('figures.4.value', '4');

    expect(Run::live()->parameters['sites'])->toBeNull()->and(Run::live()->parameters['items'])->toBeNull();
});

it('leaves the plan before in place when a run fails, and says why', function () {
    DB::table('bom_lines')->insert([
        'item_code' => 'ROD', 'line' => '10', 'component_code' => 'HEAD', 'qty' => 1_000_000, 'basis' => 'unit',
        'base_qty' => 1_000_000, 'scrap' => 0, 'offset_days' => 0,
    ]);
    DB::table('planning_data')->where('item_code', 'ROD')->update(['supply' => 'make']);
    $this->postJson('/runs', [])->assertOk()->assertJsonPath('status', 'failed')
        ->assertJsonPath('trouble', 'The structure contains itself: HEAD > ROD > HEAD. The plan before it stands.');

    expect(Run::live()->id)->toBe($this->first->id);
    $this->get('/proposals')->assertInertia(fn ($page) => $page->where('run', $this->first->id)->where('total', 4));
});

it('refuses contradictory choices', function (array $wishes, int $status, ?string $message) {
    $answer = $this->postJson('/runs', $wishes)->assertStatus($status);
    $message === null || $answer->assertJsonPath('message', $message);

    expect(Run::query()->count())->toBe(1);
})->with([
    'a horizon before the plan date' => [
        ['horizonEnd' => '2026-02-01'],
        422,
        'The horizon ends on Sun 1 Feb, before the plan date Mon 2 Mar. Nothing was planned; the plan before it stands.',
    ],
    'more than ten years' => [
        ['horizonEnd' => '2046-02-01'],
        422,
        'The horizon ends on Thu 1 Feb 2046, more than ten years after the plan date. Nothing was planned; the plan before it stands.',
    ],
    'a day that is none' => [['horizonEnd' => '2026-02-31'], 422, null],
    'a bucket nobody knows' => [['bucket' => 'moon'], 422, null],
]);

it('fails a run over a site that is not there and keeps the plan', function () {
    $this->postJson('/runs', ['agreed' => true, 'sites' => ['GHOST']])->assertOk()->assertJsonPath('status', 'failed')
        ->assertJsonPath('trouble', 'There is no site GHOST. The plan before it stands.');

    expect(Run::live()->id)->toBe($this->first->id);
});

it('lets one run at a time through, and forgets one that has died', function () {
    $other = Run::query()->create(['status' => 'running', 'parameters' => [], 'plan_date' => '2026-03-02', 'horizon_end' => '2026-04-30']);
    $this->postJson('/runs', [])->assertStatus(422)->assertJsonPath('reason', 'running');
    Run::query()->whereKey($other->id)->update(['updated_at' => now()->subMinutes(11)]);
    $this->postJson('/runs', [])->assertOk()->assertJsonPath('status', 'done');

    expect($other->refresh()->status)->toBe('failed');
});

it('gives up a run that dies again and again, and says so', function () {
    $id = $this->postJson('/runs', [])->assertOk()->json('id');
    Run::query()->findOrFail($id)->update(['status' => 'running', 'worker' => gethostname().':1:0', 'attempts' => 3, 'current' => false]);
    DB::table('runs')->where('id', $this->first->id)->update(['current' => true]);
    $this->getJson("/runs/{$id}")->assertOk()->assertJsonPath('status', 'failed')
        ->assertJsonPath('trouble', 'The run stopped without a word, several times; the plan before it stands.');

    expect(Run::live()->id)->toBe($this->first->id);
});

it('begins a run again whose worker has died, and one whose job was lost', function (string $status, ?string $worker) {
    $id = $this->postJson('/runs', [])->assertOk()->json('id');
    DB::table('runs')->where('id', $id)->update([
        'status' => $status, 'worker' => $worker, 'stored' => false, 'updated_at' => now()->subSeconds(20),
    ]);
    $this->getJson("/runs/{$id}")->assertOk()->assertJsonPath('status', 'done');

    expect((int) DB::table('runs')->where('id', $id)->value('attempts'))->toBe(2);
})->with([
    'a process that is no more' => ['running', gethostname().':999999:77'],
    'a number that another process has now' => ['running', gethostname().':'.getmypid().':1'],
    'nobody' => ['queued', null],
]);

it('leaves a run alone whose worker lives', function () {
    $id = $this->postJson('/runs', [])->assertOk()->json('id');
    DB::table('runs')->where('id', $id)->update(['status' => 'running', 'worker' => Worker::here()]);
    $this->getJson("/runs/{$id}")->assertOk()->assertJsonPath('status', 'running');
    $this->postJson('/runs', [])->assertStatus(422)->assertJsonPath('reason', 'running');
});

it('takes in what was ordered while it was planned, so that nothing is proposed twice', function () {
    $proposal = DB::table('plan_supplies')->where('run_id', $this->first->id)->where('kind', 'proposal')->where('type', 'buy')->orderBy('n')->first();
    $once = false;
    Run::updated(function (Run $run) use (&$once, $proposal): void {
        if (! $once && $run->stage === 'netting') {
            $once = true;
            $this->postJson('/proposals/convert', [
                'run' => $this->first->id, 'agreed' => true, 'key' => 'while-it-is-planned', 'lines' => [['number' => (int) $proposal->name]],
            ])->assertOk();
        }
    });
    $this->postJson('/runs', [])->assertOk()->assertJsonPath('status', 'done');
    $alike = fn (int $run) => DB::table('plan_supplies')->where('run_id', $run)->where('kind', 'proposal')
        ->where('point', $proposal->point)->where('due', $proposal->due)->where('qty', $proposal->qty)->count();

    expect($once)->toBeTrue()->and($alike(Run::live()->id))->toBe($alike($this->first->id) - 1)
        ->and(Run::live()->last_change)->toBe(Journal::newest())
        ->and(Run::live()->last_conversion)->toBe((int) DB::table('conversions')->max('id'));
});

it('converts nothing that may be covered by what was ordered while the plan was stored', function () {
    $proposal = DB::table('plan_supplies')->where('run_id', $this->first->id)->where('kind', 'proposal')->where('type', 'buy')->orderBy('n')->first();
    $convert = fn (Run $run, string $key, string $number) => $this->postJson('/proposals/convert', [
        'run' => $run->id, 'agreed' => true, 'key' => "converted-while-{$key}", 'lines' => [['number' => (int) $number]],
    ]);
    $once = false;
    Run::updated(function (Run $run) use (&$once, $convert, $proposal): void {
        if (! $once && $run->stage === 'storing') {
            $once = true;
            $convert($this->first, 'storing', $proposal->name)->assertOk();
        }
    });
    $this->postJson('/runs', [])->assertOk()->assertJsonPath('status', 'done');
    $again = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')->where('point', $proposal->point)
        ->where('due', $proposal->due)->value('name');
    $convert(Run::live(), 'behind', $again)->assertStatus(422)->assertJsonPath('reason', 'stale');
    expect(DB::table('conversions')->count())->toBe(1)->and(Journal::countSince(Run::live()->last_change))->toBe(1);
    $this->postJson('/runs', [])->assertOk();
    $other = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')->where('type', 'buy')->value('name');
    $convert(Run::live(), 'again', $other)->assertOk();
});

it('makes no plan for everybody that leaves something out, unless one says so after reading what', function () {
    $asked = $this->postJson('/runs', ['soldOnly' => true])->json();
    expect($asked['status'] ?? null)->toBe('done'); // all of the company is sold, so nothing is left out
    MasterItem::query()->create(['code' => 'LONE', 'name' => 'Lone', 'unit' => '', 'decimals' => 0, 'phantom' => false, 'unit_cost' => 0]);
    DB::table('planning_data')->insert([
        'item_code' => 'LONE', 'site_code' => 'MAIN', 'supply' => 'buy', 'lead_days' => 0, 'supplier_code' => 'SUP',
        'safety_stock' => 5_000_000, 'safety_days' => 0, 'lot_rule' => 'lot_for_lot', 'group_days' => 1, 'frozen_days' => 0,
    ]);
    $live = Run::live()->id;
    $this->postJson('/runs', ['soldOnly' => true])->assertStatus(422)->assertJsonPath('reason', 'leaves')
        ->assertJsonPath('details.what', '1 of 4 items');
    expect(Run::live()->id)->toBe($live);
    $this->postJson('/runs', ['soldOnly' => true, 'agreed' => true])->assertOk();
    $this->get('/plan')->assertInertia(fn ($page) => $page->where('plan.leavesOut', '1 of 4 items'));
    expect($this->getJson('/runs/kept')->json('last.soldOnly'))->toBeTrue();
    $this->postJson('/runs/refresh')->assertOk()->assertJsonPath('status', 'done'); // it is the plan that everybody has already
    expect(Run::live()->leaves_out)->toBe('1 of 4 items');
    $this->postJson('/runs', ['soldOnly' => false])->assertOk();
    $this->get('/plan')->assertInertia(fn ($page) => $page->where('plan.leavesOut', null));
});

it('counts what a run leaves out: sites with their sales lines, forecasts that count as a rule', function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $lines = DB::table('sales_lines')->where('site_code', 'LIN')->whereColumn('shipped', '<', 'qty')->count();
    $what = $this->postJson('/runs', ['sites' => ['OSK', 'HAL'], 'forecasts' => ['BASE', 'COASTAL']])->assertStatus(422)->json('details.what');
    expect($what)->toContain('forecast SERVICE')->toContain('site LIN')->toContain("{$lines} sales line")
        ->and($this->postJson('/runs', ['forecasts' => ['BASE', 'COASTAL', 'SERVICE']])->assertOk()->json('status'))->toBe('done');
});
