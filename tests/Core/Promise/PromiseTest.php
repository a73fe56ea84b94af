<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Planner;
use Yposta\Core\Promise\PromiseAnswer;
use Yposta\Core\Promise\PromisePart;
use Yposta\Core\Promise\Promises;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Trial;

/**
 * When every sales line is served in a whole run with lines for a promise beside it: date and what nothing covers, by reference.
 *
 * @param  list<array{int, int}>  $parts  quantity and date
 * @return array<string, array{int|null, int}>
 */
function servedWith(Contents $contents, string $item, string $site, array $parts): array
{
    $sales = $contents->network->sales;
    foreach ($parts as $number => [$qty, $due]) {
        $sales[] = SalesLine::of(order: 'PROMISE', line: (string) ($number + 1), item: $item, site: $site, qty: $qty, due: $due, priority: 9);
    }
    $plan = (new Planner)->plan($contents->network->with(sales: $sales), $contents->options);
    $served = [];
    foreach (array_merge(...array_values($plan->demands)) as $demand) {
        $demand->kind === DemandKind::Sales && $served[$demand->reference()] = [$demand->expected, $demand->uncovered];
    }

    return $served;
}

/** Whether a promise holds, by the words of its rule. */
function promiseHolds(Contents $contents, string $item, string $site, array $parts): bool
{
    static $bases = new WeakMap;
    $base = $bases[$contents] ??= servedWith($contents, $item, $site, []);
    $with = servedWith($contents, $item, $site, $parts);
    foreach ($parts as $number => [, $due]) {
        [$expected, $uncovered] = $with['sales:PROMISE/'.($number + 1)] ?? [null, 1];
        if ($expected === null || $uncovered > 0 || $expected > $due) {
            return false;
        }
    }
    foreach ($base as $reference => [$expected, $uncovered]) {
        [$then, $missing] = $with[$reference];
        if ($missing > $uncovered || ($expected !== null && $then !== null && $then > $expected)) {
            return false;
        }
    }

    return true;
}

function promised(Contents $contents, string $item, string $site, int $qty, int $wished): PromiseAnswer
{
    return (new Promises(new Trial($contents->network, $contents->options), $contents->options, $item, $site, $qty, $wished))->answer();
}

/** @return list<int> working days of a site from a day to the horizon */
function workingDaysFrom(Contents $contents, string $site, int $from): array
{
    $code = $contents->network->sites[$site]->calendar;

    return array_values(array_filter(
        range($from, $contents->options->horizonEnd),
        fn (int $day) => $code === null || $contents->network->calendars[$code]->works($day),
    ));
}

it('answers the case reasoned by hand', function () {
    $folder = dirname(__DIR__, 2).'/cases/shop_promise';
    $contents = Support::bundle(Support::folder($folder));
    $answer = promised($contents, 'A', 'S', 8_000_000, Day::parse('2026-03-03'));
    $wanted = json_decode((string) file_get_contents("{$folder}/expected/promise.json"), true);
    expect(Day::format($answer->earliest))->toBe($wanted['earliest'])->and($answer->onDate)->toBe(4_000_000)
        ->and(array_map(fn (PromisePart $part) => ['qty' => (string) ($part->qty / 1_000_000), 'date' => Day::format($part->date)], $answer->split))
        ->toBe($wanted['split'])->and(get_object_vars($answer->madeOf))->toBe(['stock' => 4_000_000, 'incoming' => 0, 'make' => 0, 'buy' => 4_000_000, 'transfer' => 0])
        ->and($answer->decidedBy->code)->toBe('hold_up.lead_time');
});

it('claims no day that does not hold, misses none before it, and no step more than it says', function (int $seed) {
    $contents = Support::bundle((new RandomBundle($seed, 35))->files());
    $random = new Randomizer(new Mt19937($seed));
    $points = array_keys($contents->network->planning);
    for ($ask = 0; $ask < 3; $ask++) {
        [$item, $site] = explode("\x1f", $points[$random->getInt(0, count($points) - 1)]);
        $step = $contents->network->items[$item]->step();
        $qty = $random->getInt(1, 60) * max($step, 1_000_000);
        $wished = $contents->options->planDate + $random->getInt(-3, 40);
        $from = max($wished, $contents->options->planDate);
        $answer = promised($contents, $item, $site, $qty, $wished);
        $said = "seed {$seed}: {$qty} {$item} at {$site} on ".Day::format($wished);
        $holds = fn (array ...$parts) => promiseHolds($contents, $item, $site, $parts);

        foreach (workingDaysFrom($contents, $site, $from) as $day) {
            $isClaimed = $day === $answer->earliest;
            expect($holds([$qty, $day]))->toBe($isClaimed, "{$said}, for ".Day::format($day));
            if ($isClaimed) {
                break;
            }
            if ($answer->earliest === null && $day > $from + 25) {
                break; // the rest of the horizon in a few of its days
            }
        }
        if ($answer->onDate > 0) {
            expect($holds([$answer->onDate, $from]))->toBeTrue("{$said}, on the day");
        }
        if ($answer->onDate < $qty) {
            expect($holds([$answer->onDate + $step, $from]))->toBeFalse("{$said}, a step more");
        }
        if (count($answer->split) === 2) {
            [$first, $rest] = $answer->split;
            expect($first->qty + $rest->qty)->toBe($qty)->and($first->qty)->toBe($answer->onDate)->and($first->date)->toBe($from);
            foreach (workingDaysFrom($contents, $site, $from) as $day) {
                expect($holds([$first->qty, $from], [$rest->qty, $day]))->toBe($day === $rest->date, "{$said}, the rest for ".Day::format($day));
                if ($day === $rest->date) {
                    break;
                }
            }
        }
        expect($answer->decidedBy === null)->toBe($answer->earliest !== null && $answer->earliest === workingDaysFrom($contents, $site, $from)[0]);
    }
})->with(range(501, 508));

it('refuses to promise what is none', function (string $item, string $site, int $qty, string $wished, string $code, array $more = []) {
    $contents = Support::small([
        'items' => "item,decimals\nA,0\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\n", ...$more,
    ]);
    $said = null;
    try {
        promised($contents, $item, $site, $qty, Day::parse($wished));
    } catch (DoesNotFit $trouble) {
        $said = $trouble->phrase()->code;
    }
    expect($said)->toBe($code);
})->with([
    'no such item' => ['B', 'MAIN', 1_000_000, '2026-03-09', 'fit.no_item'],
    'no such site' => ['A', 'THERE', 1_000_000, '2026-03-09', 'fit.no_point'],
    'nothing' => ['A', 'MAIN', 0, '2026-03-09', 'fit.asked_for_nothing'],
    'half of one' => ['A', 'MAIN', 500_000, '2026-03-09', 'fit.decimals'],
    'after the horizon' => ['A', 'MAIN', 1_000_000, '2036-03-09', 'fit.after_horizon'],
    'where there is such an order' => ['A', 'MAIN', 1_000_000, '2026-03-09', 'fit.promise_taken', [
        'sales' => "order,line,item,site,qty,due\nPROMISE,1,A,MAIN,1,2026-03-20\n",
    ]],
]);
