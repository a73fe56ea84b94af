<?php

declare(strict_types=1);

use App\Actions\StartDailyRun;
use App\Models\KeptRun;
use App\Models\MasterItem;
use App\Models\Run;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

/** An item that nobody sells, of a family, which is bought for its safety stock. */
function lone(string $code = 'LONE', string $family = 'Spares'): void
{
    MasterItem::query()->create(['code' => $code, 'name' => $code, 'unit' => '', 'decimals' => 0, 'phantom' => false, 'unit_cost' => 0, 'family' => $family]);
    DB::table('planning_data')->insert([
        'item_code' => $code, 'site_code' => 'MAIN', 'supply' => 'buy', 'lead_days' => 0, 'supplier_code' => 'SUP', 'lot_rule' => 'lot_for_lot',
        'safety_stock' => 5_000_000, 'safety_days' => 0, 'group_days' => 1, 'frozen_days' => 0,
    ]);
}

beforeEach(function () {
    Demo::of(dirname(__DIR__).'/cases/worked');
    $this->actingAs(Demo::user('planner'));
    $this->keep = fn (array $more) => $this->postJson('/runs/kept', ['name' => 'Morning', 'version' => 0, 'key' => bin2hex(random_bytes(8)), ...$more]);
    $this->row = fn (string $name = 'Morning') => collect($this->getJson('/runs/kept')->assertOk()->json('rows'))->firstWhere('name', $name);
    $this->at = function (string $moment): void {
        $this->travelTo(Carbon\CarbonImmutable::parse($moment, Settings::now()->timezone));
    };
});

it('keeps everything that can be chosen, and plans with it', function () {
    $all = [
        'horizonEnd' => '2026-05-31', 'bucket' => 'month', 'demand' => ['sales'], 'supply' => ['stock', 'purchase'], 'forecasts' => [], 'consume' => false,
        'consumeBackDays' => 3, 'consumeForwardDays' => 4, 'spread' => true, 'sites' => ['MAIN'], 'soldOnly' => false, 'families' => [], 'items' => ['ROD'],
        'calendars' => false, 'pegByPriority' => true, 'safetyStock' => false, 'bringInDays' => 11, 'pushOutDays' => 12, 'schedule' => true, 'scheduleDays' => 9,
    ];
    ($this->keep)($all)->assertOk();
    expect(($this->row)()['choices'])->toEqual([...$all, 'sites' => null]); // all, also of those that come

    $this->postJson('/runs', ['kept' => 'Morning', 'agreed' => true])->assertOk()->assertJsonPath('status', 'done');
    $parameters = Run::live()->parameters;
    expect(array_intersect_key($parameters, $all))->toEqual([...array_diff_key($all, ['soldOnly' => 1, 'families' => 1]), 'sites' => null])
        ->and(Run::live()->kept_run)->toBe('Morning');
    Settings::set(Settings::PINNED_PLAN_DATE, '2026-03-09');
    expect(($this->row)()['choices']['horizonEnd'])->toBe('2026-06-07'); // as many days as before
});

it('takes a family as the items that are of it when the run begins', function () {
    lone();
    lone('OTHER', '');
    $this->postJson('/runs', [])->assertJsonPath('figures.4.value', '6');
    ($this->keep)(['name' => 'Spare parts', 'families' => ['Spares']])->assertOk();
    $this->postJson('/runs', ['kept' => 'Spare parts', 'agreed' => true])->assertJsonPath('figures.4.value', '1');
    lone('LATER');
    $this->postJson('/runs/refresh')->assertJsonPath('figures.4.value', '2');
    $this->postJson('/runs', ['families' => ['Spares'], 'items' => ['GLUE'], 'agreed' => true])->assertOk();
    expect(Run::live()->parameters['items'])->toBe(['LATER', 'LONE', 'GLUE'])
        ->and($this->getJson('/runs/kept')->json('last.families'))->toBe(['Spares'])->and($this->getJson('/runs/kept')->json('last.items'))->toBe(['GLUE']);

    $live = Run::live()->id;
    $this->postJson('/runs', ['families' => ['Nothing'], 'items' => ['GLUE', 'NONE']])->assertStatus(422)
        ->assertJsonPath('message', 'There is no family or item Nothing, NONE. Nothing was planned; the plan before it stands.');
    ($this->keep)(['name' => 'Wrong', 'items' => ['NONE']])->assertStatus(422);
    expect(Run::live()->id)->toBe($live)->and(KeptRun::query()->count())->toBe(1);
});

it('overwrites nobody: a name that is taken, one that was changed meanwhile, one key twice', function () {
    $key = bin2hex(random_bytes(8));
    ($this->keep)(['key' => $key, 'bucket' => 'day'])->assertOk();
    ($this->keep)(['key' => $key, 'bucket' => 'day'])->assertOk();
    expect(KeptRun::query()->value('version'))->toBe(1);
    ($this->keep)(['bucket' => 'month'])->assertStatus(422)->assertJsonPath('reason', 'known');
    ($this->keep)(['bucket' => 'month', 'version' => 1])->assertOk();
    ($this->keep)(['bucket' => 'week', 'version' => 1])->assertStatus(422)->assertJsonPath('reason', 'stale');
    $this->deleteJson('/runs/kept', ['name' => 'Morning', 'version' => 1])->assertStatus(422)->assertJsonPath('reason', 'stale');
    expect(($this->row)()['choices']['bucket'])->toBe('month');
    $this->deleteJson('/runs/kept', ['name' => 'Morning', 'version' => 2])->assertOk()->assertJsonPath('rows', []);
    $this->postJson('/runs', ['kept' => 'Morning'])->assertStatus(422)->assertJsonPath('reason', 'kept');
    ($this->keep)(['name' => ' ', 'bucket' => 'day'])->assertStatus(422);
    ($this->keep)(['dailyAt' => '24:00'])->assertStatus(422);
    ($this->keep)(['bringInDays' => 99_999])->assertStatus(422);
    expect(KeptRun::query()->count())->toBe(0)->and(Activity::query()->where('event', 'kept run')->count())->toBe(3);
});

it('is for those who run the plan', function () {
    ($this->keep)([])->assertOk();
    $this->actingAs(Demo::user('buyer'));
    $this->getJson('/runs/kept')->assertForbidden();
    ($this->keep)(['version' => 1, 'bucket' => 'day'])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->deleteJson('/runs/kept', ['name' => 'Morning', 'version' => 1])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    expect(KeptRun::query()->value('version'))->toBe(1);
});

it('begins by itself once a day at its time on the company\'s clocks, and Today says what it changed', function () {
    Settings::set(Settings::TIME_ZONE, 'Pacific/Auckland');
    ($this->at)('2026-03-02 05:00');
    ($this->keep)(['name' => 'Other', 'dailyAt' => '04:00'])->assertOk();
    ($this->keep)(['dailyAt' => '06:30'])->assertOk();
    expect(($this->row)('Other')['dailyAt'])->toBeNull(); // one of them
    $start = app(StartDailyRun::class);
    ($this->at)('2026-03-02 06:29');
    expect($start())->toBeNull();
    $this->get('/')->assertInertia(fn ($page) => $page->where('daily', null));
    ($this->at)('2026-03-02 06:30');
    DB::table('sales_lines')->update(['qty' => 70_000_000]);
    $run = $start();
    expect($run->status)->toBe('done')->and($run->user_id)->toBeNull()->and($start())->toBeNull();
    $this->get('/')->assertInertia(fn ($page) => $page->where('daily.name', 'Morning')->where('daily.failed', false)
        ->where('daily.said', fn (string $said) => str_contains($said, 'Proposals 5 (+1)') && ! str_contains($said, 'same')));
    $this->postJson('/runs', [])->assertOk();
    $this->get('/')->assertInertia(fn ($page) => $page->where('daily.said', fn (string $said) => str_contains($said, 'Proposals 5 (+1)')));
    ($this->at)('2026-03-03 06:00');
    $this->get('/')->assertInertia(fn ($page) => $page->where('daily', null));
    ($this->at)('2026-03-03 11:00'); // nothing was running at its time
    expect($start()?->status)->toBe('done');
});

it('does not begin on the day on which it is kept when its time has passed', function () {
    ($this->at)('2026-03-02 09:00');
    ($this->keep)(['dailyAt' => '06:30'])->assertOk();
    expect(app(StartDailyRun::class)())->toBeNull();
    ($this->at)('2026-03-03 06:30');
    expect(app(StartDailyRun::class)())->not->toBeNull();
});

it('waits for a run that is under way, and says why it could not begin', function () {
    ($this->at)('2026-03-02 05:00');
    lone();
    ($this->keep)(['dailyAt' => '06:00', 'families' => ['Spares']])->assertStatus(422)->assertJsonPath('reason', 'leaves');
    ($this->keep)(['dailyAt' => '06:00', 'families' => ['Spares'], 'agreed' => true])->assertOk();
    ($this->at)('2026-03-02 06:00');
    $other = Run::query()->create([
        'status' => 'running', 'parameters' => [], 'plan_date' => '2026-03-02', 'horizon_end' => '2026-03-02', 'worker' => App\Support\Worker::here(),
    ]);
    expect(app(StartDailyRun::class)())->toBeNull()->and(KeptRun::daily()->trouble)->toBeNull();
    $other->delete();
    DB::table('items')->update(['family' => '']);
    expect(app(StartDailyRun::class)())->toBeNull();
    $this->get('/')->assertInertia(fn ($page) => $page->where('daily.failed', true)->where('daily.said', fn (string $said) => str_contains($said, 'no family or item Spares')));
    DB::table('items')->where('code', 'LONE')->update(['family' => 'Spares']);
    expect(app(StartDailyRun::class)())->toBeNull(); // tomorrow again
    ($this->at)('2026-03-03 06:00');
    expect(app(StartDailyRun::class)()?->leaves_out)->toContain('items')->and(KeptRun::daily()->trouble)->toBeNull();
});

it('is asked for by the scheduler every minute', function () {
    $events = array_filter(
        app(Illuminate\Console\Scheduling\Schedule::class)->events(), fn ($event) => str_contains((string) $event->command, 'yposta:daily'),
    );
    expect($events)->toHaveCount(1)->and(reset($events)->expression)->toBe('* * * * *');
    ($this->at)('2026-03-02 05:00');
    ($this->keep)(['dailyAt' => '06:00'])->assertOk();
    ($this->at)('2026-03-02 06:01');
    $this->artisan('yposta:daily')->expectsOutputToContain('has begun')->assertExitCode(0);
    $this->artisan('yposta:daily')->doesntExpectOutputToContain('has begun')->assertExitCode(0);
});

it('makes no plan for everybody that counts less than there is, unless one says so', function () {
    $this->postJson('/runs', ['supply' => ['stock', 'production', 'transfer']])->assertStatus(422)->assertJsonPath('reason', 'leaves')
        ->assertJsonPath('details.what', 'purchase orders');
    ($this->keep)(['supply' => ['purchase'], 'dailyAt' => '06:00'])->assertStatus(422)->assertJsonPath('details.what', 'stock, production orders, transfer orders');
    $this->postJson('/runs', ['supply' => ['stock', 'production', 'transfer'], 'agreed' => true])->assertOk();
    expect(Run::live()->leaves_out)->toBe('purchase orders');
});

it('takes what a job wants for sold once it is approved', function () {
    lone('FRAME', '');
    DB::table('jobs_for_customers')->insert(['code' => 'J1', 'name' => 'Quay', 'customer' => 'Delmar', 'priority' => 5]);
    DB::table('job_lines')->insert([
        'job_code' => 'J1', 'line' => '10', 'activity' => '', 'item_code' => 'FRAME', 'text' => '', 'site_code' => 'MAIN', 'qty' => 1_000_000,
        'due' => '2026-03-20', 'approved' => false,
    ]);
    $this->postJson('/runs', ['soldOnly' => true, 'agreed' => true])->assertOk();
    expect(Run::live()->parameters['items'])->not->toContain('FRAME');
    DB::table('job_lines')->update(['approved' => true]);
    $this->postJson('/runs/refresh')->assertOk();
    expect(Run::live()->parameters['items'])->toContain('FRAME')->toContain('HEAD');
});
