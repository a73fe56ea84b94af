<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Scheduling\Load;

/**
 * Rows as text, so that two lists can be compared whatever their order. Wording is not compared.
 *
 * @param  list<array<string, string>>  $rows
 * @return list<string>
 */
function comparable(array $rows, array $without = ['text', 'hold_up']): array
{
    $lines = array_map(fn (array $row) => implode(',', array_diff_key($row, array_flip($without))), $rows);
    sort($lines);

    return $lines;
}

dataset('cases', function () {
    foreach (glob(dirname(__DIR__).'/cases/*') ?: [] as $folder) {
        $ofOthers = array_filter(['exit', 'schedule.csv', 'promise.json'], fn (string $file) => is_file("{$folder}/expected/{$file}"));
        if ($ofOthers === []) { // refusals, schedules and promises have tests of their own
            yield basename($folder) => $folder;
        }
    }
});

it('plans the case as reasoned by hand', function (string $folder) {
    $plan = Support::plan(Support::bundle(Support::folder($folder)));

    foreach (glob("{$folder}/expected/*.csv") ?: [] as $file) {
        $rows = basename($file) === 'load.csv'
            ? array_map(
                fn (array $row) => array_combine(Load::COLUMNS, $row),
                iterator_to_array((new Load($plan, new Shop($plan->network, $plan->options->calendars)))->rows(), false),
            )
            : Support::rows($plan, basename($file));
        expect(comparable($rows))
            ->toBe(comparable(Support::parse((string) file_get_contents($file))), basename($file));
    }
})->with('cases');

it('names the hold-up of the worked case', function () {
    $plan = Support::plan(Support::bundle(Support::folder(dirname(__DIR__).'/cases/worked_late')));
    $late = array_column(Support::rows($plan, 'demands.csv'), null, 'demand')['sales:S1/1'];

    expect($late['late_days'])->toBe('2')->and($late['hold_up'])->toBe('ROD: lead time 5, time left 3 days');
});

it('refuses a structure that contains itself and names the loop', function () {
    $folder = dirname(__DIR__).'/cases/loop';

    expect(Support::refusal(fn () => Support::bundle(Support::folder($folder))))
        ->toContain(trim((string) file_get_contents("{$folder}/expected/stderr")));
});
