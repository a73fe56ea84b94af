<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Draft;
use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\RunInputs;
use App\Reading\Figures;
use App\Support\Settings;
use App\Trials\Views\WhyView;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Yposta\Core\Network\WrittenRows;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->commit = function (array ...$changes) {
        $this->postJson('/draft/lines', ['changes' => $changes, 'sure' => true])->assertOk();

        return $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('planner'))->version, 'key' => freshKey()])->assertOk()->json('commit');
    };
    $this->why = fn (string $figure) => $this->getJson("/why?figure={$figure}");
    $this->sum = function (array $answer): int {
        $number = fn (string $text) => (int) str_replace(["\u{2212}", '+', ','], ['-', '', ''], $text);

        return array_sum(array_map(fn (array $cause) => $number($cause['share']), $answer['causes']));
    };
    $this->whole = function (string $figure) {
        $value = fn (Run $run) => is_array($run->summary[$figure]) ? array_sum($run->summary[$figure]) : $run->summary[$figure];
        $live = Run::live();

        return $value($live) - $value(Run::query()->where('status', 'done')->where('id', '<', $live->id)->orderByDesc('id')->first());
    };
});

it('keeps what the newest two plans were made of, as it was', function () {
    $first = Run::live();
    $network = app(NetworkReader::class)->read();
    ($this->commit)(['change' => 'change_stock', 'item' => 'BAT-7', 'site' => 'OSK', 'qty' => '0']);
    app(StartRun::class)([], null);
    $kept = RunInputs::of($first);
    expect($kept)->not->toBeNull()->and(WrittenRows::between($network, $kept)->byClass())->toBe([])
        ->and(iterator_to_array(WrittenRows::between($network, RunInputs::of(Run::live()))->all()))->not->toBe([]);
    app(StartRun::class)([], null);
    expect(DB::table('run_inputs')->count())->toBe(2)->and(RunInputs::of($first))->toBeNull();
});

it('names what was written since the plan before, with its share; all shares add up', function () {
    ($this->commit)(
        ['change' => 'change_stock', 'item' => 'BAT-7', 'site' => 'OSK', 'qty' => '0'], // two at once are told apart
        ['change' => 'change_planning', 'item' => 'BOX-1', 'site' => 'OSK', 'safetyDays' => 1],
    );
    $undone = ($this->commit)(['change' => 'change_stock', 'item' => 'PCB-207', 'site' => 'OSK', 'qty' => '0']);
    $this->postJson("/journal/{$undone}/undo", ['key' => freshKey()])->assertOk();
    ($this->commit)(['change' => 'put_rows', 'kind' => 'sales', 'rows' => [
        ['order' => 'SO-9', 'line' => '1', 'item' => 'WS-400', 'site' => 'OSK', 'qty' => '40', 'due' => '2026-03-20', 'customer' => 'Pier 9'],
    ]]);
    ($this->commit)(['change' => 'change_sales_line', 'order' => 'SO-9', 'line' => '1', 'qty' => '60']); // goes on from the one before
    $cell = DB::table('forecast_buckets')->where('qty', '>', 0)->orderByDesc('start')->first();
    $this->actingAs(Demo::user('sales'));
    $this->postJson('/demand/forecast', [
        'forecast' => $cell->forecast, 'sure' => true, 'key' => freshKey(),
        'rows' => [['item' => $cell->item_code, 'site' => $cell->site_code, 'cells' => [[substr($cell->start, 0, 10), '0', (int) $cell->version]]]],
    ])->assertOk();
    $this->actingAs(Demo::user('planner'));
    app(StartRun::class)([], null);

    $all = [];
    foreach (WhyView::FIGURES as $figure) {
        $answer = ($this->why)($figure)->assertOk()->json();
        expect(($this->sum)($answer))->toBe(($this->whole)($figure), $figure);
        array_push($all, ...array_column($answer['causes'], 'text'));
    }
    expect(implode('; ', $all))->toContain('SO-9')->toContain('BAT-7')->not->toContain('journal')->not->toContain('day moved on')
        ->not->toContain('2 changes');
    // and all of it at once, change by change: the same shares
    $causes = $this->getJson('/why/all')->assertOk()->json('causes');
    foreach (WhyView::FIGURES as $figure) {
        $label = Figures::labels()[$figure][0];
        $shares = array_filter(array_merge(...array_column($causes, 'shares')), fn (array $one) => $one['figure'] === $label);
        expect(array_sum(array_map(fn (array $one) => (int) strtr($one['share'], ["\u{2212}" => '-', ',' => '']), $shares)))
            ->toBe(($this->whole)($figure), $figure);
    }
    expect($causes[0]['text'])->toContain('SO-9')->and($causes[0]['by'])->toBe('Ivo Marlin')
        ->and($causes[0]['shares'][0])->toMatchArray(['figure' => 'Lines late', 'worse' => true])
        ->and(array_unique(array_column($causes, 'text')))->toHaveCount(count($causes));
    $late = ($this->why)('lateLines')->json();
    expect($late['causes'][0]['text'])->toContain('SO-9')->and($late['causes'][0]['share'])->toStartWith('+')->and($late['causes'][0]['worse'])->toBeTrue()
        ->and($late['causes'][0]['by'])->toContain('Ivo Marlin');
});

it('tells what only the day did', function () {
    Settings::set(Settings::PINNED_PLAN_DATE, '2026-03-16');
    app(StartRun::class)([], null);
    foreach (WhyView::FIGURES as $figure) {
        $answer = ($this->why)($figure)->assertOk()->json();
        expect(($this->sum)($answer))->toBe(($this->whole)($figure))
            ->and(array_filter($answer['causes'], fn (array $cause) => ! str_contains($cause['text'], 'The day moved on')))->toBe([]);
    }
    expect(($this->whole)('startPassed'))->toBeGreaterThan(0);
});

it('says so where it cannot be told', function () {
    expect(($this->why)('lateLines')->assertStatus(422)->json('reason'))->toBe('forgotten'); // there is no plan before
    $this->getJson('/why/all')->assertStatus(422)->assertJsonPath('reason', 'forgotten');
    ($this->why)('password')->assertStatus(422);
    app(StartRun::class)([], null);
    ($this->why)('lateLines')->assertOk();
    DB::table('run_inputs')->orderBy('run_id')->limit(1)->update(['network' => base64_encode((string) gzcompress('O:8:"Nonsense":0:{}'))]);
    expect(($this->why)('lateLines')->assertStatus(422)->json('reason'))->toBe('forgotten');
    DB::table('run_inputs')->update(['network' => 'no text of ours']);
    expect(($this->why)('lateLines')->assertStatus(422)->json('reason'))->toBe('forgotten');
});

it('tells of one line what made it late by other days', function () {
    ($this->commit)(['change' => 'move_order', 'order' => 'P-3308', 'due' => '2026-03-17']);
    ($this->commit)(['change' => 'change_stock', 'item' => 'BAT-7', 'site' => 'OSK', 'qty' => '60']);
    app(StartRun::class)([], null);
    $ask = fn (string $of) => $this->getJson('/why/line?'.http_build_query(['of' => $of]));
    $answer = $ask('sales:SO-7719/1')->assertOk()->json();
    $late = fn (Run $run) => (int) DB::table('plan_demands')->where('run_id', $run->id)->where('name', 'SO-7719')->where('line', '1')->value('late_days');

    expect([(int) $answer['before'], (int) $answer['after']])->toBe([$late(Figures::before(Run::live())), $late(Run::live())])
        ->and($answer['causes'])->toHaveCount(1)->and($answer['causes'][0]['text'])->toContain('P-3308')->and($answer['causes'][0]['worse'])->toBeTrue()
        ->and(($this->sum)($answer))->toBe((int) $answer['after'] - (int) $answer['before'])->toBeGreaterThan(0);
    expect($ask('job:J-41/10')->assertOk()->json('causes'))->toBe([]);
    foreach (['sales:GHOST/1', 'order:P-3308', 'nonsense', ''] as $none) {
        $ask($none)->assertStatus(422)->assertJsonPath('reason', 'no line');
    }
});

it('tells of a proposal what made it another quantity up to its day', function () {
    $proposed = fn (Run $run, string $item, string $due): int => (int) DB::table('plan_supplies as s')
        ->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
        ->where('s.run_id', $run->id)->where('s.kind', 'proposal')->where('p.item_code', $item)->where('p.site_code', 'OSK')
        ->where('s.due', '<=', $due)->sum('s.qty');
    $before = Run::live();
    ($this->commit)(['change' => 'change_stock', 'item' => 'BAT-7', 'site' => 'OSK', 'qty' => '0']);
    ($this->commit)(['change' => 'put_rows', 'kind' => 'sales', 'rows' => [
        ['order' => 'SO-9', 'line' => '1', 'item' => 'WS-300', 'site' => 'OSK', 'qty' => '400', 'due' => '2026-03-20', 'customer' => 'Pier 9'],
    ]]);
    ($this->commit)(['change' => 'move_order', 'order' => 'P-3311', 'due' => '2026-03-17']); // of another item
    app(StartRun::class)([], null);
    $rows = DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
        ->where('s.run_id', Run::live()->id)->where('s.kind', 'proposal')->where('p.item_code', 'BAT-7')->where('p.site_code', 'OSK')
        ->orderBy('s.due')->get(['s.name', 's.due']);
    expect($rows)->not->toBeEmpty();
    $told = [];
    foreach ($rows->take(5) as $row) {
        $answer = $this->getJson("/why/proposal?number={$row->name}")->assertOk()->json();
        $difference = $proposed(Run::live(), 'BAT-7', $row->due) - $proposed($before, 'BAT-7', $row->due);
        expect(($this->sum)($answer) * 1_000_000)->toBe($difference)
            ->and($answer['causes'])->each(fn ($cause) => $cause->text->not->toContain('P-3311')->not->toContain('journal'));
        array_push($told, ...$answer['causes']);
    }
    expect($told[0]['by'])->toBe('Ivo Marlin')->and($answer['before'])->toContain('pcs')->and(array_column($told, 'share'))->toContain('+60 pcs')
        ->and(implode(' ', array_column($told, 'text')))->toContain('BAT-7')->toContain('SO-9');
    $this->getJson('/why/proposal?number=999999')->assertStatus(422)->assertJsonPath('reason', 'no proposal');
    $this->getJson('/why/proposal')->assertStatus(422);
});
