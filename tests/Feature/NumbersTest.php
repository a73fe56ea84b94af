<?php

declare(strict_types=1);

use App\Documents\Money;
use App\Support\NumberStyle;
use App\Support\Settings;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('administrator'));
    $this->look = fn (string $text) => $this->postJson('/data/look', ['kind' => 'items', 'text' => $text])->assertOk()->json();
    $this->comma = function (): void {
        $values = $this->get('/company')->inertiaPage()['props']['values'];
        $this->postJson('/company', ['values' => ['numbers' => 'comma'], 'seen' => $values])->assertOk();
    };
});

it('writes numbers as the company does, on the page and on paper', function () {
    expect(Words::quantity(1_234_500_000, 'kg'))->toBe('1,234.5 kg')->and(Words::money(1_234_567))->toBe('1,234,567');
    $this->get('/')->assertSee('data-numbers="point"', false);
    ($this->comma)();
    expect(Words::quantity(1_234_500_000, 'kg'))->toBe('1.234,5 kg')->and(Words::quantity(-500_000, ''))->toBe("\u{2212}0,5")
        ->and(Words::money(1_234_567))->toBe('1.234.567')->and(Money::said(38_500_000))->toBe('38,50')
        ->and(Activity::query()->latest('id')->value('description'))->toBe('How numbers are written: 1,234.5 to 1.234,5');
    $this->get('/')->assertSee('data-numbers="comma"', false);
    $this->postJson('/draft/lines', ['changes' => [['change' => 'change_stock', 'item' => 'RES-4', 'site' => 'OSK', 'qty' => '2.5']]])
        ->assertOk()->assertJsonPath('state.lines.0.sentence', fn (string $said) => str_contains($said, '2,5 kg'));
});

it('keeps the point in files', function () {
    ($this->comma)();
    expect($this->get('/sheets/data.csv?kind=items&q=PCB-207B')->streamedContent())->toContain(',31,')
        ->and($this->get('/sheets/data.csv?kind=items&q=PCB-207')->streamedContent())->toContain('38.5');
    $case = dirname(__DIR__).'/cases/worked';
    $out = folderWith([]);
    $this->artisan('yposta:plan', ['bundle' => $case, '--out' => $out])->assertExitCode(0);
    foreach (glob("{$case}/expected/*.csv") ?: [] as $expected) {
        expect(file_get_contents("{$out}/".basename($expected)))->toBe(file_get_contents($expected));
    }
    expect(Words::quantity(1_500_000, 'kg'))->toBe('1,5 kg'); // and people read on as before
});

it('asks of a table what the company does not write, and reads what it does', function () {
    expect(($this->look)("item\tcost\nPCB-207\t1,234\n")['ambiguous'])->toBe('1,234')->and(($this->look)("item\tcost\nPCB-207\t1.234\n")['ambiguous'])->toBeNull();
    ($this->comma)();
    $seen = ($this->look)("item\tcost\nPCB-207\t1,234\n");
    expect($seen['ambiguous'])->toBeNull()->and($seen['rows'][0]['what'])->toBe('Cost 38,5 to 1,234')
        ->and(($this->look)("item\tcost\nPCB-207\t1.234\n")['ambiguous'])->toBe('1.234')
        ->and(($this->look)("item\tcost\nPCB-207\t1.234\nPCB-110\t52.25\n")['ambiguous'])->toBeNull(); // the other one tells
});

it('knows only two ways', function () {
    $values = $this->get('/company')->inertiaPage()['props']['values'];
    $this->postJson('/company', ['values' => ['numbers' => 'roman'], 'seen' => $values])->assertStatus(422);
    DB::table('settings')->insert(['key' => Settings::NUMBERS, 'value' => '"roman"']);
    NumberStyle::forget();
    expect(NumberStyle::now()->name())->toBe('point');
});
