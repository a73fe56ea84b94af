<?php

declare(strict_types=1);

use App\Models\Draft;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->outline = fn (string $item) => $this->getJson('/structure/lines?item='.rawurlencode($item))->assertOk()->json();
    $this->line = fn (string $item, string $component) => collect(($this->outline)($item)['lines'])
        ->first(fn (array $line) => $line['item'] === $item && $line['component'] === $component);
    $this->draft = fn (array $rows, array $lines) => $this->postJson('/draft/lines', ['changes' => [[
        'change' => 'put_rows', 'kind' => 'bom', 'rows' => $rows, 'removed' => array_column($lines, 'identity'),
    ]], 'sure' => true, 'title' => 'x']);
    $this->components = fn (string $item) => array_column(array_filter(
        ($this->outline)($item)['lines'], fn (array $line) => $line['level'] === 1,
    ), 'qty', 'component');
});

it('gives the structure level by level, each line under its item, and what it goes into', function () {
    $outline = $this->get('/structure?item=WS-400')->assertOk()->inertiaProps()['outline'];
    foreach ($outline['lines'] as $place => $line) {
        $above = $line['parent'] < 0 ? null : $outline['lines'][$line['parent']];
        expect($line['id'])->toBe($place)->and($line['level'])->toBe(($above['level'] ?? 0) + 1)
            ->and($line['item'])->toBe($above['component'] ?? 'WS-400')->and($line['parent'])->toBeLessThan($place);
    }
    $deepest = max(array_column($outline['lines'], 'level'));
    $first = collect($outline['lines'])->firstWhere('level', $deepest);
    expect($deepest)->toBeGreaterThan(3)->and($first['hasLines'])->toBeFalse()->and(array_unique(array_column($outline['lines'], 'isDrafted')))->toBe([false])
        ->and(DB::table('bom_lines')->where('item_code', 'WS-400')->orderBy('id')->pluck('component_code')->all())
        ->toEqualCanonicalizing(array_column(array_filter($outline['lines'], fn ($line) => $line['level'] === 1), 'component'))
        ->and(array_column(($this->outline)('SM-12')['usedIn'], 'row'))->toEqualCanonicalizing(
            DB::table('bom_lines')->where('component_code', 'SM-12')->pluck('item_code')->all(),
        );
    $this->get('/structure?item=NO-SUCH')->assertNotFound();
});

it('shows what the draft makes of it, for that person alone', function () {
    $line = ($this->line)('SH-41', 'SM-12');
    ($this->draft)([[...$line['values'], 'qty' => '3']], [$line])->assertOk();
    ($this->draft)([[...$line['values'], 'line' => '95', 'component' => 'BAT-7', 'qty' => '2']], [])->assertOk();
    expect(($this->components)('SH-41'))->toMatchArray(['SM-12' => '3', 'BAT-7' => '2'])->and(($this->line)('SH-41', 'SM-12')['isDrafted'])->toBeTrue();

    // a drafted line is changed and taken away again
    $changed = ($this->line)('SH-41', 'SM-12');
    ($this->draft)([[...$changed['values'], 'qty' => '4']], [$changed])->assertOk();
    ($this->draft)([], [($this->line)('SH-41', 'BAT-7')])->assertOk();
    expect(($this->components)('SH-41'))->toMatchArray(['SM-12' => '4'])->not->toHaveKey('BAT-7');

    $this->actingAs(Demo::user('administrator'));
    expect(($this->components)('SH-41')['SM-12'])->toBe('1');
    $this->actingAs(Demo::user('planner'));
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('planner'))->version, 'key' => freshKey()])->assertOk();
    expect(DB::table('bom_lines')->where(['item_code' => 'SH-41', 'component_code' => 'SM-12'])->value('qty'))->toBe(4_000_000)
        ->and(($this->line)('SH-41', 'SM-12')['isDrafted'])->toBeFalse();
});

it('refuses loops, and what is there twice, as they are drafted', function () {
    $line = ($this->line)('SH-41', 'SM-12');
    expect(($this->draft)([[...$line['values'], 'component' => 'WS-400']], [$line])->assertStatus(422)->json('message'))->toContain('contains itself');
    expect(($this->draft)([[...$line['values'], 'component' => 'BAT-7']], [])->assertStatus(422)->json('message'))->toContain('stands there already');
    expect(Draft::of(Demo::user('planner'))->lines ?? [])->toBe([]);
});

it('moves lines by exchanging their numbers', function () {
    $lines = array_values(array_filter(($this->outline)('SH-41')['lines'], fn (array $line) => $line['level'] === 1));
    [$one, $other] = $lines;
    ($this->draft)([[...$one['values'], 'line' => $other['values']['line']], [...$other['values'], 'line' => $one['values']['line']]], [$one, $other])->assertOk();
    expect(array_slice(array_keys(($this->components)('SH-41')), 0, 2))->toBe([$other['component'], $one['component']]);
});

it('replaces a component in all structures, those of the draft too, and says in which', function () {
    $replace = fn (string $component, string $by) => $this->postJson('/structure/replace', compact('component', 'by'));
    $line = ($this->line)('SH-41', 'SM-12');
    ($this->draft)([[...$line['values'], 'qty' => '3']], [$line])->assertOk();
    $edit = $replace('SM-12', 'BAT-7')->assertOk()->json();
    expect($edit['count'])->toBe(DB::table('bom_lines')->where('component_code', 'SM-12')->count())
        ->and($edit['some'][0]['what'])->toContain('Component SM-12 to BAT-7');
    $this->postJson('/draft/lines', ['changes' => [json_decode($edit['change'], true)], 'title' => 'x', 'sure' => true])->assertOk();
    expect(($this->outline)('SM-12')['usedIn'])->toBe([])->and(($this->components)('SH-41')['BAT-7'])->toBe('3');
    $replace('SM-12', 'NO-SUCH')->assertStatus(422)->assertJsonPath('reason', 'item');
    $replace('SM-12', 'SM-12')->assertStatus(422);
    expect($replace('BAT-L', 'BAT-7')->assertOk()->json('count'))->toBe(DB::table('bom_lines')->where('component_code', 'BAT-L')->count());
});
