<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Draft;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->planner = Demo::user('planner');
    $this->actingAs($this->planner);
    $this->touched = fn (): array => $this->get('/orders')->assertOk()->inertiaPage()['props']['touched'];
    $this->commit = fn () => $this->postJson(
        '/draft/commit',
        ['version' => Draft::of($this->planner)->version, 'key' => bin2hex(random_bytes(10))],
    )->assertOk()->json('commit');
});

it('names what was changed since the plan was made, with the points it stands at, until it is undone or planned', function () {
    expect(($this->touched)())->toBe([]);
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => 'M-1047', 'due' => '2026-03-16']]])->assertOk();
    expect(($this->touched)())->toBe([]);
    $commit = ($this->commit)();
    $item = DB::table('order_lines')->where('code', 'M-1047')->value('item_code');
    expect(($this->touched)())->toBe(['order:M-1047', "{$item}\x1fOSK"]);
    $this->postJson("/journal/{$commit}/undo", ['key' => bin2hex(random_bytes(10))])->assertOk();
    expect(($this->touched)())->toBe([]);

    $line = DB::table('sales_lines')->orderBy('id')->first();
    $stock = DB::table('stock')->where('item_code', '<>', $line->item_code)->orderBy('id')->first();
    $this->postJson('/draft/lines', ['changes' => [
        ['change' => 'change_sales_line', 'order' => $line->order_code, 'line' => $line->line, 'priority' => 2],
        ['change' => 'change_stock', 'item' => $stock->item_code, 'site' => $stock->site_code, 'qty' => '1'],
    ], 'sure' => true])->assertOk();
    ($this->commit)();
    expect(($this->touched)())->toContain(
        "sales:{$line->order_code}/{$line->line}", "{$line->item_code}\x1f{$line->site_code}", "{$stock->item_code}\x1f{$stock->site_code}",
    );
    app(StartRun::class)([], $this->planner);
    expect(($this->touched)())->toBe([]);

    $cell = DB::table('forecast_buckets')->where('start', '>=', '2026-03-09')->orderBy('id')->first();
    $this->postJson('/demand/forecast', [
        'forecast' => $cell->forecast, 'sure' => true, 'key' => freshKey(),
        'rows' => [['item' => $cell->item_code, 'site' => $cell->site_code, 'cells' => [[substr($cell->start, 0, 10), '1', (int) $cell->version]]]],
    ])->assertOk();
    expect(($this->touched)())->toBe(["{$cell->item_code}\x1f{$cell->site_code}"]);
});

it('says for the draft when what it moves is there, as a run with it does', function () {
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => 'P-3340', 'due' => '2026-03-18']]])->assertOk();
    $expected = $this->getJson('/draft')->assertOk()->json('state.expected');
    expect($expected)->not->toBeEmpty()->and($expected['order:P-3340'])->toBe(['day' => '2026-03-18', 'lateDays' => 0]);
    ($this->commit)();
    app(StartRun::class)([], $this->planner);
    $run = Run::live()->id;
    foreach ($expected as $reference => ['day' => $day, 'lateDays' => $late]) {
        [$kind, $name] = explode(':', $reference, 2);
        $planned = $kind === 'order'
            ? DB::table('plan_supplies')->where('run_id', $run)->where('kind', 'order')->where('name', $name)->value('available')
            : DB::table('plan_demands')->where('run_id', $run)->where('kind', 'sales')->where('name', explode('/', $name)[0])
                ->where('line', explode('/', $name)[1] ?? '')->value('expected');
        expect(substr((string) $planned, 0, 10))->toBe((string) $day, $reference);
    }
});
