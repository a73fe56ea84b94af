<?php

declare(strict_types=1);

use App\Support\Languages;
use App\Support\PseudoLanguage;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Lang;
use Illuminate\View\View;
use Tests\Demo;

beforeEach(function () {
    // a folder of languages of its own, so that no other test sees it
    $this->folder = sys_get_temp_dir().'/languages-'.getmypid();
    File::copyDirectory(lang_path(), $this->folder);
    app()->useLangPath($this->folder);
    $this->artisan('yposta:pseudo-language')->assertSuccessful();
    foreach (['translator', 'translation.loader', Languages::class] as $service) {
        app()->forgetInstance($service);
    }
    Lang::clearResolvedInstances();
    app()->setLocale('xx');
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
});

afterEach(fn () => File::deleteDirectory($this->folder));

/** @return array<string, true> every word of what the company has written: names, notes, codes */
function wordsOfTheData(): array
{
    $words = ['demo' => true]; // the name of the bundle
    foreach ([
        'items', 'sites', 'suppliers', 'sales_lines', 'users', 'calendars', 'calendar_days', 'forecast_buckets', 'roles',
        'order_lines',
    ] as $table) {
        foreach (DB::table($table)->get() as $row) {
            preg_match_all('/[a-z]{3,}/', implode(' ', array_map(strval(...), (array) $row)), $found);
            $words += array_fill_keys($found[0], true);
        }
    }

    return $words;
}

/** @return list<string> what is read on a page, of all that it is sent */
function readOn(mixed $value, string $name = ''): array
{
    if (is_array($value)) {
        $below = fn (mixed $one, int|string $key) => readOn($one, is_int($key) ? $name : $key);

        return array_merge([], ...array_map($below, $value, array_keys($value)));
    }
    $isCode = ! is_string($value) || preg_match('#^(?:[/\[{].*|[a-z0-9_:-]+|[a-z]+:\S+.*)$#', $value) === 1
        || in_array(
            $name,
            [
                'identity', 'facts', 'of', 'reference', 'email', 'can', 'role', 'currency', 'unit', 'order', 'demand', 'supply',
                'key', 'group',
            ],
            true,
        );

    return $isCode ? [] : [$value];
}

it('takes every word that is read from the language files', function () {
    $late = DB::table('plan_demands')->where('kind', 'sales')->where('late_days', '>', 0)->first();
    $of = rawurlencode("sales:{$late->name}/{$late->line}");
    $proposal = (string) DB::table('plan_supplies')->where('kind', 'proposal')->value('name');
    $order = (string) DB::table('orders')->value('code');
    $known = wordsOfTheData();
    $plain = [];
    foreach ([
        '/', '/demand', '/demand?view=forecast', '/plan', '/item?item=SH-41', '/proposals', "/proposals/{$proposal}", '/messages', '/orders',
        "/orders/{$order}", '/shortages/rows', '/reservations', '/journal', '/studies', '/compare', "/pegging?of={$of}", "/thread?of={$of}",
        "/complete/answer?of={$of}", '/plan/point?item=SH-41&at=OSK', '/plan/ask?item=SH-41&at=OSK&period=2026-03-09&as=expected',
        '/search?q=SH',
    ] as $path) {
        $answer = $this->get($path)->assertOk();
        $props = $answer->original instanceof View ? $answer->original->getData()['page']['props'] : $answer->json();
        $read = readOn(json_decode((string) json_encode($props), true));
        expect($read)->not->toBe([], $path);
        foreach ($read as $text) {
            preg_match_all('/(?<![\pL~])[a-z]{3,}(?![\pL])/u', $text, $found);
            array_diff($found[0], array_keys($known)) === [] || $plain["{$path}: {$text}"] = true;
        }
    }

    expect(array_keys($plain))->toBe([]);
});

it('keeps what is filled in or chosen by, and makes sentences a third longer', function () {
    expect(PseudoLanguage::say('{1} 1 day|[2,*] :count days late'))->toBe('{1} 1 đáý~~|[2,*] :count đáýš łáŧé~~~')
        ->and(PseudoLanguage::say(':item'))->toBe(':item')
        ->and(mb_strlen(PseudoLanguage::say('Nothing has been planned yet')))->toBeGreaterThanOrEqual((int) (28 * 4 / 3));
});
