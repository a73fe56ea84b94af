<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Artisan;

/** @return array{int, string} exit status and what it printed */
function promiseCommand(array $options): array
{
    $status = Artisan::call('yposta:promise', ['bundle' => base_path('tests/cases/shop_promise'), ...$options]);

    return [$status, trim(Artisan::output())];
}

it('prints what can be promised as JSON, with and without the shop', function () {
    $ask = ['--item' => 'A', '--site' => 'S', '--qty' => '8', '--date' => '2026-03-03'];
    foreach ([[], ['--with-capacity' => true]] as $more) {
        [$status, $said] = promiseCommand([...$ask, ...$more]);
        $lines = explode("\n", $said);
        $answer = json_decode(end($lines), true, 512, JSON_THROW_ON_ERROR);
        expect($status)->toBe(0)->and(array_keys($answer))->toBe(['earliest', 'on_date', 'split', 'made_of', 'decided_by'])
            ->and(array_intersect_key($answer, ['earliest' => 1, 'on_date' => 1, 'split' => 1]))
            ->toBe(json_decode((string) file_get_contents(base_path('tests/cases/shop_promise/expected/promise.json')), true))
            ->and($answer['made_of'])->toBe(['stock' => '4', 'incoming' => '0', 'make' => '0', 'buy' => '4', 'transfer' => '0'])
            ->and($answer['decided_by'])->toContain('lead time');
    }
});

it('says what is wrong with what is asked, and ends with 2', function (array $wrong) {
    [$status, $said] = promiseCommand(['--item' => 'A', '--site' => 'S', '--qty' => '8', '--date' => '2026-03-03', ...$wrong]);
    expect($status)->toBe(2)->and($said)->not->toContain('"earliest"');
})->with([
    'no item' => [['--item' => 'B']], 'no site' => [['--site' => '']], 'no quantity' => [['--qty' => 'many']], 'nothing' => [['--qty' => '0']],
    'less than nothing' => [['--qty' => '-3']], 'no end' => [['--qty' => '1e12']], 'no day' => [['--date' => '2026-02-30']],
    'after the plan' => [['--date' => '2027-01-01']],
]);
