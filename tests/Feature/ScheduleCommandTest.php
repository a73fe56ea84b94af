<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Artisan;
use Tests\Support;

/** @return array{int, string, string} exit status, the last line that it said, and the folder of the result */
function scheduledBy(string $bundle, array $options = []): array
{
    $out = sys_get_temp_dir().'/yposta-schedule-'.bin2hex(random_bytes(6));
    $status = Artisan::call('yposta:schedule', ['bundle' => $bundle, '--out' => $out, ...$options]);
    $lines = explode("\n", trim(Artisan::output()));

    return [$status, end($lines), $out];
}

it('writes what is reasoned by hand', function (string $case) {
    $folder = dirname(__DIR__)."/cases/{$case}";
    [$status, $last, $out] = scheduledBy($folder, ['--steps' => '3']);
    expect($status)->toBe(0)->and($last)->toMatch('/^schedule: load [\d.]+ s, schedule [\d.]+ s, improve [\d.]+ s \(\d+ steps\), peak \d+ MiB$/');
    foreach (glob("{$folder}/expected/*.csv") ?: [] as $file) {
        $rows = Support::parse((string) file_get_contents("{$out}/".basename($file)));
        foreach (Support::parse((string) file_get_contents($file)) as $row) {
            expect($rows)->toContain($row);
        }
    }
    foreach (['load.csv', 'schedule.csv', 'figures.csv', 'after.csv', 'demands.csv', 'proposals.csv', 'pegs.csv', 'messages.csv', 'buckets.csv'] as $file) {
        expect(is_file("{$out}/{$file}"))->toBeTrue($file);
        unlink("{$out}/{$file}");
    }
    rmdir($out);
})->with(['shop_schedule', 'shop_load', 'shop_lead']);

it('refuses an option that is none, and says so', function (string $option, string $value) {
    [$status, $said] = scheduledBy(dirname(__DIR__).'/cases/shop_schedule', [$option => $value]);
    expect($status)->toBe(2)->and($said)->not->toContain('schedule:');
})->with([
    ['--rule', 'soon'], ['--direction', 'up'], ['--frozen-days', '-1'], ['--proposals-days', 'many'], ['--now', '2026-13-01 00:00'],
    ['--aim', 'gold'], ['--steps', '1e3'], ['--seed', ''],
]);

it('begins at another moment, and says what has no room', function () {
    $folder = sys_get_temp_dir().'/yposta-shop-'.bin2hex(random_bytes(6));
    mkdir($folder);
    foreach (Support::folder(dirname(__DIR__).'/cases/shop_schedule') as $name => $text) {
        file_put_contents("{$folder}/{$name}", $text);
    }
    [, , $out] = scheduledBy($folder, ['--now' => '2026-03-02 12:00', '--direction' => 'backward']);
    $starts = array_column(Support::parse((string) file_get_contents("{$out}/schedule.csv")), 'start', 'order');
    expect(min($starts))->toBeGreaterThanOrEqual('2026-03-02 12:00')->and($starts['order:O3'])->toBe('2026-03-04 22:40');
    file_put_contents("{$folder}/closures.csv", "work_centre,from,to\nW1,2026-03-01 00:00,2045-01-01 00:00\n");
    [$status, , $out] = scheduledBy($folder);
    expect($status)->toBe(0)->and(Support::parse((string) file_get_contents("{$out}/schedule.csv")))->toBe([])
        ->and(array_column(Support::parse((string) file_get_contents("{$out}/figures.csv")), 'value', 'key')['orders'])->toBe('0');
});
