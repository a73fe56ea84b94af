<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\OrderLine;
use App\Models\Run;
use App\Support\Journal;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
});

/** @return array<string, mixed> the props of the list */
function messages($test, string $query = ''): array
{
    return json_decode((string) json_encode($test->get("/messages?{$query}")->assertOk()->viewData('page')['props']), true);
}

/** @return array<string, mixed> */
function taskAbout($test, string $code, string $text): array
{
    return collect(messages($test, "kind={$code}")['tasks'])->firstOrFail(fn ($task) => str_contains($task['text'], $text));
}

it('lists what puts late customers at risk first, and by kind', function () {
    $all = messages($this);
    $risks = array_column($all['tasks'], 'riskLines');

    expect($risks[0])->toBeGreaterThan(1)->and($risks)->toBe(collect($risks)->sortDesc()->values()->all())
        ->and(array_sum(array_column($all['kinds'], 'count')))->toBe($all['total'])->and($all['total'])->toBe(count($all['tasks']));
    $purchase = taskAbout($this, 'bring_in', 'P-3308');
    expect($purchase['riskLines'])->toBe(3)->and($purchase['applies'])->toBe('Move to Wed 4 Mar');
    $this->getJson("/messages/{$purchase['n']}/risk")->assertJsonCount(3)->assertJsonPath('0.what.label', 'SO-7719/1 Coastal Trust')
        ->assertJsonPath('0.note', '6 days late');
});

it('moves the order as a message asks, once, through its rules and journal', function () {
    $task = taskAbout($this, 'bring_in', 'P-3308');
    $ask = ['run' => Run::live()->id, 'n' => $task['n'], 'key' => 'a key that is long enough'];
    $this->postJson('/messages/apply', $ask)->assertOk()->assertJsonPath('message', 'P-3308 to Wed 4 Mar.');
    $this->postJson('/messages/apply', $ask)->assertOk();
    $line = OrderLine::query()->where('code', 'P-3308')->first();

    expect(substr($line->due, 0, 10))->toBe('2026-03-04')->and($line->version)->toBe(2)
        ->and(Journal::since(Run::live()->last_change, 9)->pluck('description')->all())->toBe(['P-3308 to Wed 4 Mar'])
        ->and(array_column(messages($this, 'kind=bring_in')['tasks'], 'n'))->not->toContain($task['n']);
    app(StartRun::class)([], null);
    expect(array_filter(messages($this)['tasks'], fn ($task) => str_contains($task['text'], 'P-3308')))->toBe([]);
});

it('lets what a message asked for be undone from the journal, as all that is committed', function () {
    $task = taskAbout($this, 'bring_in', 'P-3308');
    $this->postJson('/messages/apply', ['run' => Run::live()->id, 'n' => $task['n'], 'key' => 'a key that is long enough'])->assertOk();
    $commit = collect($this->get('/journal')->inertiaProps('entries'))->firstWhere('sentence', 'P-3308 to Wed 4 Mar')['commit'];
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk();

    expect(OrderLine::query()->where('code', 'P-3308')->value('due'))->toStartWith('2026-03-10');
});

it('cancels an order that nobody needs', function () {
    $task = collect(messages($this, 'kind=cancel')['tasks'])->first();
    $code = explode(':', $task['text'])[0];
    $this->postJson('/messages/apply', ['run' => Run::live()->id, 'n' => $task['n'], 'key' => 'a key that is long enough'])->assertOk();

    expect(OrderLine::query()->where('code', $code)->first()->cancelled)->toBeTrue()
        ->and(DB::table('orders')->where('code', $code)->value('status'))->toBe('cancelled');
    app(StartRun::class)([], null);
    expect(DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('name', $code)->exists())->toBeFalse();
    $this->get('/orders?status=open')->assertInertia(fn ($page) => $page->where(
        'orders',
        fn ($orders) => ! $orders->pluck('code')->contains($code),
    ));
});

it('refuses to move what is pinned, changed, planned anew or not allowed', function () {
    $task = taskAbout($this, 'bring_in', 'P-3308');
    $ask = ['run' => Run::live()->id, 'n' => $task['n'], 'key' => 'a key that is long enough'];
    OrderLine::query()->where('code', 'P-3308')->update(['pinned' => true]);
    $this->postJson('/messages/apply', $ask)->assertStatus(422)->assertJsonPath('reason', 'pinned');
    OrderLine::query()->where('code', 'P-3308')->update(['pinned' => false, 'due' => '2026-03-11']);
    $this->postJson('/messages/apply', $ask)->assertStatus(422)->assertJsonPath('reason', 'stale');
    OrderLine::query()->where('code', 'P-3308')->update(['due' => '2026-03-10']);
    $this->postJson('/messages/apply', [...$ask, 'run' => 99])->assertStatus(422)->assertJsonPath('reason', 'stale');
    $short = collect(messages($this, 'kind=below_safety')['tasks'])->first();
    $this->postJson('/messages/apply', [...$ask, 'n' => $short['n']])->assertStatus(422);
    $this->actingAs(Demo::user('scheduler'))->postJson('/messages/apply', $ask)->assertStatus(422)->assertJsonPath('reason', 'forbidden');

    expect(substr(OrderLine::query()->where('code', 'P-3308')->value('due'), 0, 10))->toBe('2026-03-10');
});

it('puts a message away until a day or for good, and brings it back when its facts change', function () {
    $before = messages($this);
    $task = taskAbout($this, 'bring_in', 'P-3308');
    $ask = [
        'identity' => $task['identity'], 'facts' => $task['facts'], 'state' => 'snoozed', 'until' => '2026-03-09',
        'reason' => 'Fennick calls back on Monday',
    ];
    $this->postJson('/messages/answer', [...$ask, 'reason' => ''])->assertStatus(422)->assertJsonPath('reason', 'reason');
    $this->postJson('/messages/answer', [...$ask, 'until' => '2026-03-02'])->assertStatus(422)->assertJsonPath('reason', 'until');
    $this->postJson('/messages/answer', $ask)->assertOk();
    app(StartRun::class)([], null);
    $after = messages($this);
    $away = messages($this, 'show=away')['tasks'];

    expect($after['total'])->toBe($before['total'] - 1)->and($after['away'])->toBe(1)->and($away[0]['reason'])
        ->toBe('Fennick calls back on Monday')->and($away[0]['by'])->toBe('Ivo Marlin');

    OrderLine::query()->where('code', 'P-3308')->update(['due' => '2026-03-12']);
    app(StartRun::class)([], null);
    expect(taskAbout($this, 'bring_in', 'P-3308')['state'])->toBeNull();

    OrderLine::query()->where('code', 'P-3308')->update(['due' => '2026-03-10']);
    app(StartRun::class)([], null);
    expect(messages($this)['away'])->toBe(1);
    $this->postJson('/messages/answer', [...$ask, 'state' => 'open', 'reason' => ''])->assertOk();
    expect(messages($this)['total'])->toBe($before['total']);
    $this->actingAs(Demo::user('viewer'))->postJson('/messages/answer', $ask)->assertStatus(403);
});

it('wakes what was asleep when its day has come', function () {
    $task = taskAbout($this, 'bring_in', 'P-3308');
    $this->postJson(
        '/messages/answer',
        ['identity' => $task['identity'], 'facts' => $task['facts'], 'state' => 'snoozed', 'until' => '2026-03-04', 'reason' => 'two days'],
    )->assertOk();
    expect(messages($this)['away'])->toBe(1);
    Run::live()->update(['plan_date' => '2026-03-04']);

    expect(messages($this)['away'])->toBe(0)->and(taskAbout($this, 'bring_in', 'P-3308')['state'])->toBe('snoozed');
});

it('exports the list as it is filtered', function () {
    $rows = Tests\Support::parse($this->get('/sheets/messages.csv?kind=bring_in')->assertOk()->streamedContent());

    expect(array_unique(array_column($rows, 'code')))->toBe(['bring_in'])->and($rows)
        ->toHaveCount(count(messages($this, 'kind=bring_in')['tasks']));
});
