<?php

declare(strict_types=1);

use App\Models\Draft;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->load = fn (array $asked = []) => $this->getJson('/capacity/load?'.http_build_query($asked))->assertOk()->json();
    $this->row = fn (array $table, string $centre) => collect($table['groups'])->flatMap(fn (array $group) => $group['rows'])->firstWhere('centre', $centre);
    $this->reliefs = fn (array $asked) => array_map(fn (string $line) => json_decode($line, true), array_filter(explode(
        "\n", $this->get('/capacity/reliefs?'.http_build_query($asked))->assertOk()->streamedContent(),
    )));
});

it('shows how full every work centre is by week, with the sums of its site and kind', function () {
    $this->get('/capacity')->assertOk();
    $table = ($this->load)();
    $chamber = ($this->row)($table, 'CAL-1');
    expect($table['periods'][0])->toBe(['from' => '2026-03-02', 'to' => '2026-03-08'])->and(count($table['periods']))->toBe(12)
        ->and(array_map(fn (array $group) => "{$group['siteName']}, {$group['kind']}", $table['groups']))
        ->toBe(['Hallowfen workshop, machine', 'Oskerby plant, machine', 'Oskerby plant, people'])
        ->and(array_column(array_slice($chamber['figures'], 0, 4), 'percent'))->toBe([28, 133, 94, 125])
        ->and(array_keys(array_filter(array_column($chamber['figures'], 'over'))))->toBe([1, 3, 7])->and($table['over'])->toBe(1);
    foreach ($table['groups'] as $group) {
        foreach (['capacity', 'load', 'sales', 'forecast'] as $figure) {
            foreach ($group['figures'] as $place => $sum) {
                $all = array_sum(array_map(fn (array $row) => $row['figures'][$place][$figure], $group['rows']));
                expect($all)->toEqualWithDelta($sum[$figure], count($group['rows']));
            }
        }
    }
});

it('goes on in time by days, weeks and months, and the same minutes stand in each', function () {
    $sum = function (string $bucket): array {
        $found = ['capacity' => 0, 'load' => 0];
        for ($from = ''; $from !== null; $from = $table['later']) {
            $table = ($this->load)(['bucket' => $bucket, 'from' => $from]);
            foreach (($this->row)($table, 'CAL-1')['figures'] as $place => $figure) {
                if ($table['periods'][$place]['from'] < '2026-08-01') {
                    $found['capacity'] += $table['periods'][$place]['to'] < '2026-08-01' ? $figure['capacity'] : 0;
                    $found['load'] += $table['periods'][$place]['to'] < '2026-08-01' ? $figure['load'] : 0;
                }
            }
        }

        return $found;
    };
    expect($sum('day'))->toBe($sum('month'));
    $second = ($this->load)(['from' => ($this->load)()['later']]);
    expect($second['earlier'])->toBe('2026-03-02')->and($second['periods'][0]['from'])->toBe('2026-05-25');
});

it('counts only what is looked for, and shows only what is over', function () {
    $load = fn (array $asked) => array_sum(array_column(($this->row)(($this->load)($asked), 'CAL-1')['figures'], 'load'));
    $all = $load([]);
    expect($load(['kind' => 'orders']) + $load(['kind' => 'proposals']))->toEqualWithDelta($all, 12)
        ->and($load(['kind' => 'orders']))->toBeGreaterThan(0)->toBeLessThan($all)
        ->and($load(['q' => 'WS-400']))->toBeGreaterThan(0)->toBeLessThan($all)
        ->and($load(['q' => 'coastal trust']))->toBeGreaterThan(0)->toBeLessThan($all)->and($load(['q' => 'nobody at all']))->toBe(0);
    $over = ($this->load)(['over' => '1']);
    expect(array_map(fn (array $group) => array_column($group['rows'], 'centre'), $over['groups']))->toBe([['CAL-1']]);
});

it('tells of a cell the arithmetic, each operation, whom it is for, and what sales should know', function () {
    $cell = $this->getJson('/capacity/cell?centre=CAL-1&day=2026-03-11&bucket=week')->assertOk()->json();
    expect($cell['period'])->toBe(['from' => '2026-03-09', 'to' => '2026-03-15'])->and($cell['open'])->toBe(72 * 60)
        ->and($cell['shifts'])->toBe(['Mon to Fri 06:00 to 14:00', 'Mon to Thu 14:00 to 22:00'])->and($cell['closures'])->toBe([])
        ->and(array_sum(array_column($cell['operations'], 'minutes')))->toBe($cell['figure']['load'])
        ->and($cell['operationCount'])->toBe(count($cell['operations']))
        ->and(array_sum(array_column($cell['demands'], 'minutes')) + $cell['forNobody'])->toEqualWithDelta($cell['figure']['load'], 20)
        ->and($cell['operations'][0]['arithmetic'])->toBe('(30 + 70 × 24) ÷ 90 % = 1,900 min')
        ->and($cell['note'])->toStartWith('Calibration chamber (CAL-1) is full in the week from Mon 9 Mar: 133 % of what it can do, 23.9 h too much.')
        ->and($cell['note'])->toContain("What does not fit:\n- ", ', Forecast SERVICE, wanted ', 'There is room again: in the week from Mon 16 Mar ');
    $room = $this->getJson('/capacity/cell?centre=CAL-1&day=2026-03-02&bucket=week')->json();
    expect($room['note'])->toBeNull();
    $closed = $this->getJson('/capacity/cell?centre=CAL-1&day=2026-04-13&bucket=week')->json();
    expect($closed['closures'])->toBe(['Yearly reference check (all of it), Thu 16 Apr 06:00 to Fri 17 Apr 14:00'])
        ->and($closed['open'] - $closed['figure']['capacity'])->toBe(24 * 60);
    $this->getJson('/capacity/cell?centre=NONE&day=2026-03-11&bucket=week')->assertUnprocessable()
        ->assertSee('There is no work centre NONE in this plan.');
});

it('eases a full week by what it works out, planned with the draft, and the journal takes it back', function () {
    $week = ['centre' => 'CAL-1', 'day' => '2026-03-09', 'bucket' => 'week'];
    $found = ($this->reliefs)($week);
    $shift = collect($found)->firstWhere('row.title', 'Open CAL-1 Fri 14:00 to 22:00 too');
    expect($shift['figure']['percent'])->toBe(120)->and(array_column(array_column($found, 'row'), 'kind'))->toContain('do_earlier');
    $this->actingAs(Demo::user('administrator'));
    $this->postJson('/draft/lines', ['changes' => json_decode($shift['row']['changes'], true)])->assertOk()
        ->assertJsonPath('state.lines.0.sentence', 'CAL-1 also Fri 14:00 to 22:00');
    expect(($this->row)(($this->load)(), 'CAL-1')['figures'][1]['percent'])->toBe(120);
    $key = bin2hex(random_bytes(10));
    $commit = $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('administrator'))->version, 'key' => $key])->assertOk()->json('commit');
    expect(($this->row)(($this->load)(), 'CAL-1')['figures'][1]['percent'])->toBe(120)
        ->and(DB::table('shifts')->where('work_centre_code', 'CAL-1')->count())->toBe(3);
    $this->get('/journal')->assertOk()->assertSee('CAL-1 also Fri 14:00 to 22:00');
    $this->postJson("/journal/{$commit}/undo", ['key' => 'undo-key-000000000001'])->assertOk();
    expect(DB::table('shifts')->where('work_centre_code', 'CAL-1')->count())->toBe(2)
        ->and(($this->row)(($this->load)(), 'CAL-1')['figures'][1]['percent'])->toBe(133);
});

it('shows a centre that is down at once in the draft', function () {
    $before = ($this->row)(($this->load)(), 'ASM-1')['figures'][0];
    $this->postJson('/draft/lines', ['changes' => [[
        'change' => 'close_centre', 'workCentre' => 'ASM-1', 'from' => '2026-03-03 00:00', 'to' => '2026-03-05 00:00', 'unit' => 2, 'reason' => 'hoist broken',
    ]]])->assertOk()->assertJsonPath('state.lines.0.sentence', 'Unit 2 of ASM-1 down from Tue 3 Mar 00:00 to Thu 5 Mar 00:00 (hoist broken)');
    $after = ($this->row)(($this->load)(), 'ASM-1')['figures'][0];
    expect($before['capacity'] - $after['capacity'])->toBe(2 * 480)->and($after['load'])->toBe($before['load']);
});

it('shows the load of a study that is looked at, with its demand and its forecasts, and compares it', function () {
    $sum = fn () => array_sum(array_column(($this->row)(($this->load)(), 'CAL-1')['figures'], 'load'));
    $live = $sum();
    $study = fn (array $changes, array $parameters, string $name) => $this->postJson(
        '/studies', ['name' => $name, 'changes' => $changes, 'parameters' => $parameters, 'run' => true],
    )->assertOk()->json('id');
    $much = $study([['change' => 'scale_demand', 'percent' => 1000, 'items' => [], 'customers' => []]], [], 'ten times');
    $none = $study([], ['forecasts' => []], 'orders only');
    $this->postJson('/shown-plan', ['study' => $much])->assertOk();
    expect($sum())->toBeGreaterThan(5 * $live);
    $this->postJson('/shown-plan', ['study' => $none])->assertOk();
    expect($sum())->toBeLessThan($live);
    $cell = $this->getJson('/capacity/cell?centre=CAL-1&day=2026-04-20&bucket=week')->assertOk()->json();
    expect(array_filter(array_column(array_column($cell['demands'], 'demand'), 'label'), fn (string $label) => str_contains($label, 'orecast')))->toBe([]);
    $this->postJson('/shown-plan', ['study' => null])->assertOk();
    expect($sum())->toBe($live);

    $page = $this->get("/compare?a=live&b=study-{$much}&list=load")->assertOk()->inertiaPage()['props'];
    expect($page['differences']['load'])->toBeGreaterThan(10)->and($page['loads'][0]['worse'])->toBeTrue()
        ->and($page['loads'][0]['percentAfter'])->toBeGreaterThan($page['loads'][0]['percentBefore'])
        ->and(collect($page['figures'])->firstWhere('label', 'Hours over 100 %')['worse'])->toBeTrue();
});

it('says in the tray what a shift or a closure does to the hours over 100 %', function () {
    $tray = fn (array $change) => collect($this->postJson('/draft/lines', ['changes' => [$change]])->assertOk()->json('state.figures'));
    $down = $tray(['change' => 'close_centre', 'workCentre' => 'CAL-1', 'from' => '2026-03-02 00:00', 'to' => '2026-03-14 00:00'])->firstWhere('name', 'overHours');
    expect($down['worse'])->toBeTrue();
    $this->deleteJson('/draft')->assertOk();
    $longer = $tray(['change' => 'add_shift', 'workCentre' => 'CAL-1', 'weekdays' => '56', 'from' => '14:00', 'to' => '22:00'])->firstWhere('name', 'overHours');
    expect($longer['better'])->toBeTrue();
});
