<?php

declare(strict_types=1);

use App\Models\Order;
use App\Models\Run;
use App\Models\Study;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    $this->live = Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->earlier = ['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-03'];
});

/** @param  list<array<string, mixed>>  $changes */
function study($test, string $name, array $changes, array $parameters = [], bool $run = true): Illuminate\Testing\TestResponse
{
    return $test->postJson('/studies', ['name' => $name, 'parameters' => $parameters, 'changes' => $changes, 'run' => $run]);
}

it('plans a study beside the live plan and tells what differs', function () {
    $id = study($this, 'P-3308 early', [$this->earlier])->assertOk()->json('id');
    expect(Run::live()->id)->toBe($this->live->id)->and(DB::table('order_lines')->where('code', 'P-3308')->value('due'))
        ->toStartWith('2026-03-10');

    $this->get("/compare?a=live&b=study-{$id}")->assertInertia(fn ($page) => $page->component('Compare')
        ->where('figures.0.label', 'Lines late')->where('figures.0.before', '8')->where('figures.0.after', '5')->where('figures.0.better', true)
        ->where('late.0.order', 'SO-7719')->where('late.0.kind', 'gone')->where('late.0.daysBefore', 6)->where('late.0.after', null)
        ->where('differences.late', 3)->where('running', null));
    $this->get("/compare?a=study-{$id}&b=live")->assertInertia(fn ($page) => $page->where('figures.0.worse', true)->where('late.0.kind', 'added'));
});

it('tells ten times the demand by quantities, values and hours, and opens on what differs', function () {
    $id = study($this, 'Ten times', [['change' => 'scale_demand', 'percent' => 1000]])->assertOk()->json('id');
    $page = $this->get("/compare?a=live&b=study-{$id}")->assertOk()->inertiaPage()['props'];
    $figures = array_column($page['figures'], null, 'label');
    $number = fn (string $text): float => (float) str_replace(',', '', $text);
    foreach (['Needed', 'Needed, at cost', 'To buy, at cost', 'Hours of work'] as $label) {
        expect($number($figures[$label]['after']))->toBeGreaterThan(5 * $number($figures[$label]['before']), $label)
            ->and($number($figures[$label]['before']))->toBeGreaterThan(0.0);
    }
    expect($number($figures['Needed']['after']))->toBe(10 * $number($figures['Needed']['before']))
        ->and($figures['Needed']['change'])->toStartWith('+')->and($page['filter']['list'])->toBe('late');

    // what has no late line to tell opens on the proposals; what is asked for is shown
    $id = study($this, 'A lead time', [['change' => 'change_planning', 'item' => 'GAS-14', 'site' => 'OSK', 'safetyStock' => '40']])->json('id');
    $counts = $this->get("/compare?a=live&b=study-{$id}")->inertiaPage()['props'];
    expect($counts['differences']['late'])->toBe(0)->and($counts['filter']['list'])->toBe('proposals');
    $this->get("/compare?a=live&b=study-{$id}&list=late")->assertInertia(fn ($page) => $page->where('filter.list', 'late'));
});

it('shows a study in the place of the live plan and never makes orders of it', function () {
    $id = study($this, 'A fifth more', [['change' => 'scale_demand', 'percent' => 120]])->json('id');
    $this->postJson('/shown-plan', ['study' => $id])->assertOk();
    $this->get('/proposals?until=all')->assertInertia(fn ($page) => $page->where('plan.study.name', 'A fifth more')->whereNot('run', $this->live->id));
    $run = Study::query()->find($id)->result();
    $orders = Order::query()->count();
    $this->postJson('/proposals/convert', ['run' => $run->id, 'key' => 'a key that is long enough', 'lines' => [['number' => 1]]])
        ->assertStatus(422)->assertJsonPath('reason', 'study');

    expect(Order::query()->count())->toBe($orders);
    $this->postJson('/shown-plan', ['study' => null]);
    $this->get('/proposals')->assertInertia(fn ($page) => $page->where('plan.study', null)->where('run', $this->live->id));
});

it('plans with other parameters and changes of every kind a study offers', function () {
    $changes = [
        ['change' => 'change_planning', 'item' => 'PCB-207', 'site' => 'OSK', 'leadDays' => 30],
        ['change' => 'change_planning', 'item' => 'GAS-14', 'site' => 'OSK', 'safetyStock' => '40'],
        ['change' => 'work_days', 'calendar' => 'PLANT', 'from' => '2026-03-09', 'to' => '2026-03-13'],
        ['change' => 'resize_order', 'order' => 'M-1047', 'qty' => '30'],
        ['change' => 'cancel_order', 'order' => 'P-3291'],
        ['change' => 'change_sales_line', 'order' => 'SO-7719', 'line' => '1', 'due' => '2026-03-20'],
        ['change' => 'change_stock', 'item' => 'TUB-50', 'site' => 'OSK', 'qty' => '12.5'],
    ];
    $id = study(
        $this, 'All at once', $changes,
        ['forecasts' => ['BASE'], 'sites' => ['OSK'], 'safetyStock' => false, 'horizonEnd' => '2026-06-30'],
    )->assertOk()->json('id');
    $run = Study::query()->find($id)->result();

    expect($run->trouble)->toBeNull()->and($run->parameters['forecasts'])->toBe(['BASE'])->and($run->parameters['safetyStock'])->toBeFalse()
        ->and(DB::table('plan_points')->where('run_id', $run->id)->where('site_code', 'LIN')->exists())->toBeFalse()
        ->and(json_decode(DB::table('plan_points')->where('run_id', $run->id)->where('item_code', 'PCB-207')
            ->value('rules'))->lead)->toBe(30);
    $this->get('/studies')->assertInertia(fn ($page) => $page->where(
        'rows.0.changes.0.text',
        'PCB-207 at OSK: lead time 30 days',
    )->where(
        'rows.0.changes.2.text',
        'Calendar PLANT closed from Mon 9 Mar to Fri 13 Mar',
    )
        ->where('rows.0.parameters', ['up to Tue 30 Jun', 'forecasts BASE', 'sites OSK', 'without safety stock']));
});

it('says why a study cannot be kept or planned, and keeps what there was', function () {
    $id = study($this, 'One', [$this->earlier])->json('id');
    study($this, 'One', [])->assertStatus(422)
        ->assertJsonPath('message', 'There is a study One already. Choose another name; nothing was kept.');
    study($this, 'Two', [['change' => 'move_order', 'order' => 'P-3308', 'due' => 'soon']])->assertStatus(422)
        ->assertJsonPath('details.place', 0);
    study($this, 'Three', [], ['nonsense' => 1])->assertStatus(422);
    $this->putJson("/studies/{$id}", ['name' => 'One', 'version' => 7, 'parameters' => [], 'changes' => []])->assertStatus(422)
        ->assertJsonPath('reason', 'stale');

    $wrong = study($this, 'Four', [['change' => 'cancel_order', 'order' => 'P-0000']])->assertOk()->json('id');
    $this->get("/compare?a=live&b=study-{$wrong}")->assertInertia(fn ($page) => $page->where('differences', null)->where(
        'failure',
        'A change of the study does not fit any more: there is no open order P-0000. The plan before it stands.',
    ));
    expect(Study::query()->count())->toBe(2)->and(Study::query()->find($id)->changes)->toBe([[...$this->earlier, 'start' => null]]);
});

it('plans again after a change of data, and deletes with its result', function () {
    $id = study($this, 'One', [$this->earlier])->json('id');
    $first = Study::query()->find($id)->result()->id;
    DB::table('stock')->where('item_code', 'PCB-207')->update(['qty' => 0]);
    $this->postJson("/studies/{$id}/run")->assertOk();
    $second = Study::query()->find($id)->result()->id;

    expect($second)->not->toBe($first)->and(DB::table('plan_points')->where('run_id', $first)->exists())->toBeFalse();
    $this->postJson('/shown-plan', ['study' => $id]);
    $this->deleteJson("/studies/{$id}")->assertOk();
    expect(Study::query()->count())->toBe(0)->and(DB::table('plan_points')->where('run_id', $second)->exists())->toBeFalse();
    $this->get('/')->assertInertia(fn ($page) => $page->where('plan.study', null)->where('plan.id', $this->live->id));
});

it('lets nobody change what is another\'s, and a viewer nothing', function () {
    $id = study($this, 'Mine', [])->json('id');
    $this->actingAs(Demo::user('sales'))->putJson("/studies/{$id}", ['name' => 'Mine', 'version' => 1, 'parameters' => [], 'changes' => []])
        ->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->deleteJson("/studies/{$id}")->assertStatus(422);
    $this->actingAs(Demo::user('viewer'));
    study($this, 'No', [])->assertStatus(403);
    $this->postJson("/studies/{$id}/run")->assertStatus(403);
    $this->get('/bundle.zip')->assertStatus(403);
    $this->get('/studies')->assertOk();
});

it('takes in what has changed with the parameters of the live plan', function () {
    $this->postJson('/runs', ['horizonEnd' => '2026-05-31', 'forecasts' => ['BASE'], 'agreed' => true])->assertOk();
    $this->postJson('/demand/forecast', [
        'forecast' => 'BASE', 'rows' => [['item' => 'WS-200', 'site' => 'OSK', 'cells' => [['2026-04-06', '99', 1]]]],
        'sure' => true, 'key' => freshKey(),
    ])->assertOk();
    $this->get('/')->assertInertia(fn ($page) => $page->where('changes.0.by', 'Ivo Marlin')->where('plan.changes', 1));
    $this->postJson('/runs/refresh')->assertOk()->assertJsonPath('status', 'done');

    expect(substr(Run::live()->horizon_end, 0, 10))->toBe('2026-05-31')->and(Run::live()->parameters['forecasts'])->toBe(['BASE']);
    $this->get('/')->assertInertia(fn ($page) => $page->where('changes', [])->where('plan.changes', 0));
    Settings::set(Settings::PINNED_PLAN_DATE, '2026-07-01');
    $this->postJson('/runs/refresh')->assertOk()->assertJsonPath('status', 'done');
    $this->actingAs(Demo::user('viewer'))->postJson('/runs/refresh')->assertStatus(403);
});
