<?php

declare(strict_types=1);

use App\Models\AskedSchedule;
use App\Models\Draft;
use App\Models\Run;
use App\Support\Worker;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

/** What a schedule is asked for, with what differs. */
function wishes(array $more = []): array
{
    return [...[
        'rule' => 'due', 'direction' => 'forward', 'aim' => 'late', 'steps' => 20, 'seconds' => 20, 'frozenDays' => 0, 'proposalsDays' => 14,
        'setupWindow' => 3, 'centres' => null, 'orders' => null,
    ], ...$more];
}

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('scheduler'));
    $this->schedule = fn (array $more = []) => $this->postJson('/schedules', wishes($more))->assertOk()->json();
    $this->keep = fn (int $id) => $this->postJson("/schedules/{$id}/keep", ['key' => bin2hex(random_bytes(10))]);
    $this->figure = fn (array $state, string $name, string $side) => (int) str_replace(
        ',', '', collect($state['sides']['figures'])->firstWhere('name', $name)[$side],
    );
    $this->places = fn () => DB::table('order_operations as o')->join('order_lines as l', 'l.id', '=', 'o.order_line_id')
        ->whereNotNull('o.start_instant')->orderBy('l.code')->orderBy('o.op')
        ->get(['l.code', 'o.op', 'o.work_centre_code', 'o.units', 'o.start_instant', 'o.end_instant'])->map(fn ($row) => (array) $row)->all();
});

it('schedules the shop, tells before and after, and writes nothing until it is kept', function () {
    $this->get('/schedule')->assertOk();
    $before = DB::table('order_operations')->get()->all();
    $state = ($this->schedule)();
    expect($state['status'])->toBe('done')->and($state['steps'])->toBeGreaterThan(0)
        ->and(DB::table('order_operations')->get()->all())->toEqual($before)
        ->and(($this->figure)($state, 'weighted_late', 'after'))->toBeLessThanOrEqual(($this->figure)($state, 'weighted_late', 'before'))
        ->and(array_column($state['sides']['orders'], 'label'))->toContain('M-1049', null);
    $plain = ($this->schedule)(['steps' => 0]);
    expect(($this->figure)($state, 'weighted_late', 'after'))->toBeLessThan(($this->figure)($plain, 'weighted_late', 'after'));
});

it('keeps a schedule once, as one line of the journal, plans with it, and takes it back', function () {
    $state = ($this->schedule)();
    $key = ['key' => bin2hex(random_bytes(10))];
    $first = $this->postJson("/schedules/{$state['id']}/keep", $key)->assertOk()->json('message');
    expect($this->postJson("/schedules/{$state['id']}/keep", $key)->assertOk()->json('message'))->toBe($first)
        ->and($first)->toBe("Schedule kept for {$state['sides']['kept']} orders")
        ->and(DB::table('commits')->count())->toBe(1)->and(DB::table('activity_log')->where('event', 'commit')->value('description'))->toBe($first);
    ($this->keep)($state['id'])->assertStatus(422)->assertJsonPath('reason', 'over');
    expect(Run::query()->count())->toBe(2); // planned anew once, however often it was pressed

    $run = Run::live();
    expect($run->parameters)->toMatchArray(['schedule' => true, 'scheduleDays' => 14]);
    $stands = ($this->places)();
    expect(count($stands))->toBeGreaterThan(10);
    foreach (DB::table('plan_operations as p')->join('plan_supplies as s', fn ($on) => $on->on('s.run_id', 'p.run_id')->on('s.n', 'p.supply'))
        ->where('p.run_id', $run->id)->where('s.kind', 'order')->orderBy('s.name')->orderBy('p.op')->get() as $place => $row) {
        expect([$row->name, $row->op, $row->work_centre_code, $row->units, $row->start_instant])
            ->toBe(array_values(array_slice($stands[$place], 0, 5)));
    }

    $again = ($this->schedule)(['steps' => 0, 'frozenDays' => 400]);
    expect($again['sides']['kept'])->toBe(0)->and(($this->figure)($again, 'moved', 'after'))->toBe(0);
    ($this->keep)($again['id'])->assertStatus(422)->assertJsonPath('reason', 'nothing');

    $commit = $this->getJson("/schedules/{$state['id']}")->assertOk()->json('commit');
    $this->postJson("/journal/{$commit}/undo", ['key' => bin2hex(random_bytes(10))])->assertOk();
    expect(($this->places)())->toBe([])->and($this->getJson("/schedules/{$state['id']}")->assertOk()->json('commit'))->toBeNull();
});

it('says of what is late for want of capacity that it is, wherever the plan speaks', function () {
    ($this->keep)(($this->schedule)(['steps' => 0])['id'])->assertOk();
    $run = Run::live()->id;
    $demand = DB::table('plan_demands')->where('run_id', $run)->where('hold_up_reason', 'no_capacity')->orderByDesc('late_days')->first();
    $messages = DB::table('plan_messages')->where('run_id', $run)->where('code', 'no_capacity')->pluck('text');
    expect($demand)->not->toBeNull()->and($messages->count())->toBeGreaterThan(0)->and($messages[0])->toContain('no capacity at');
    $this->get('/messages?kind=no_capacity')->assertOk();
    expect($this->getJson('/messages/rows?kind=no_capacity')->assertOk()->json('rows.0.kind'))->toBe('No capacity');
});

it('schedules only what it is asked to, and leaves the rest where it stands', function () {
    ($this->keep)(($this->schedule)(['steps' => 0])['id'])->assertOk();
    $stands = ($this->places)();
    $state = ($this->schedule)(['rule' => 'priority', 'direction' => 'backward', 'orders' => ['M-1049', 'M-1063']]);
    expect($state['sides']['notes'])->toBe(['M-1063 is not in the schedule: it is held back, over, or has no operations']);
    $orders = array_filter($state['sides']['orders'], fn (array $row) => $row['moved'] > 0);
    expect(array_values(array_unique(array_column($orders, 'label'))))->each->toBe('M-1049');
    ($this->keep)($state['id']);
    foreach (($this->places)() as $place => $row) {
        $row['code'] === 'M-1049' || expect($row)->toBe($stands[$place]);
    }
});

it('is not kept where an order was changed meanwhile, nor twice, nor after it was dropped', function () {
    $state = ($this->schedule)();
    $this->actingAs(Demo::user('planner'));
    $this->postJson('/draft/lines', ['changes' => [['change' => 'resize_order', 'order' => 'M-1049', 'qty' => '56']], 'sure' => true])->assertOk();
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('planner'))->version, 'key' => bin2hex(random_bytes(10))])->assertOk();
    ($this->keep)($state['id'])->assertStatus(422)->assertJsonPath('reason', 'fit');
    expect(($this->places)())->toBe([]);
    $this->postJson("/schedules/{$state['id']}/drop")->assertOk()->assertJsonPath('status', 'dropped');
    ($this->keep)($state['id'])->assertStatus(422);
    $this->postJson("/schedules/{$state['id']}/drop")->assertStatus(422);
    $this->postJson("/schedules/{$state['id']}/stop", ['keeps' => true])->assertStatus(422);
});

it('is not taken back where an order of it has been changed since', function () {
    $state = ($this->schedule)(['steps' => 0]);
    ($this->keep)($state['id'])->assertOk();
    $kept = ($this->places)();
    $this->postJson('/draft/lines', ['changes' => [['change' => 'hold_order', 'order' => 'M-1049', 'held' => true]]])->assertOk();
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('scheduler'))->version, 'key' => bin2hex(random_bytes(10))])->assertOk();
    $commit = $this->getJson("/schedules/{$state['id']}")->json('commit');
    $this->postJson("/journal/{$commit}/undo", ['key' => bin2hex(random_bytes(10))])->assertStatus(422)->assertJsonPath('reason', 'moved')
        ->assertJsonFragment(['message' => (string) trans('refused.undo.moved', ['names' => 'M-1049'])]);
    expect(($this->places)())->toBe($kept);
});

it('makes one at a time, can be stopped, and tells of a worker that died', function () {
    $one = AskedSchedule::query()->create(['user_id' => Demo::user('planner')->id, 'status' => 'running', 'options' => wishes(), 'worker' => Worker::here()]);
    $this->postJson('/schedules', wishes())->assertStatus(422)->assertJsonPath('reason', 'running');
    $this->postJson("/schedules/{$one->id}/stop", ['keeps' => false])->assertOk();
    expect($one->refresh()->stop)->toBe('drop');
    $one->update(['worker' => gethostname().':999999999:1']);
    $this->getJson("/schedules/{$one->id}")->assertOk()->assertJsonPath('status', 'failed');
    $queued = AskedSchedule::query()->create(['status' => 'queued', 'options' => wishes()]);
    $this->postJson("/schedules/{$queued->id}/stop", ['keeps' => false])->assertOk()->assertJsonPath('status', 'dropped');
    expect(($this->schedule)()['status'])->toBe('done');
});

it('refuses what is no schedule, and who may not make one', function (array $more) {
    $this->postJson('/schedules', wishes($more))->assertStatus(422);
    expect(AskedSchedule::query()->count())->toBe(0);
})->with([
    [['rule' => 'luck']], [['direction' => 'sideways']], [['aim' => '']], [['steps' => -1]], [['steps' => 1e12]], [['seconds' => 0]],
    [['frozenDays' => 'x']], [['proposalsDays' => null]], [['centres' => 'CAL-1']], [['orders' => [['x']]]],
]);

it('knows no centre and no order that is not there, and lets only those schedule who make orders', function () {
    $this->postJson('/schedules', wishes(['centres' => ['NONE']]))->assertStatus(422)->assertJsonPath('reason', 'options');
    $this->postJson('/schedules', wishes(['orders' => ['M-0']]))->assertStatus(422)->assertJsonPath('reason', 'options');
    foreach (['buyer', 'sales', 'viewer'] as $role) {
        $this->actingAs(Demo::user($role))->postJson('/schedules', wishes())->assertForbidden();
    }
});

it('asks before orders are released whose work centres are too full, each with its own weeks', function () {
    $lacks = fn (array $orders) => $this->postJson('/draft/lines', [
        'changes' => array_map(fn (string $order) => ['change' => 'release_order', 'order' => $order], $orders),
    ])->assertStatus(422)->assertJsonPath('reason', 'lacks')->json('details.lines');
    $full = fn (array $orders) => array_values(array_filter($lacks($orders), fn (string $line) => str_contains($line, '% full')));
    $each = array_merge(...array_map(fn (string $order) => $full([$order]), ['M-1047', 'M-1049', 'M-1051', 'M-1052']));
    expect($each)->toContain('M-1047 needs CAL-1 in the week of Mon 9 Mar, which is 133 % full')
        ->and($full(['M-1047', 'M-1049', 'M-1051', 'M-1052']))->toEqualCanonicalizing($each)
        ->and($this->getJson('/draft')->json('state.lines'))->toBe([]);
});
