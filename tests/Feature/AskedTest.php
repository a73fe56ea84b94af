<?php

declare(strict_types=1);

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use Benchmarks\RandomBundle;
use Tests\Demo;
use Tests\Support;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;

/*
 * Numbers that are asked, and what is held, against a plain second computation on random companies.
 */

/** A random company with holds on stock, in the database and planned again in memory. */
function askedCompany(int $seed): Plan
{
    $files = (new RandomBundle($seed, 60))->files();
    $lines = Support::parse($files['sales.csv']);
    $stock = array_column(Support::parse($files['stock.csv']), 'qty', 'item');
    foreach ($lines as $number => $line) {
        if ($number % 4 === 0 && $line['line'] !== '9' && isset($stock[$line['item']])) {
            $files['allocations.csv'] .= "sales:{$line['order']}/{$line['line']},stock:{$line['item']}@MAIN,".(1 + $number % 7)."\n";
            unset($stock[$line['item']]);
        }
    }
    Demo::of(folderWith($files));
    test()->actingAs(Demo::user('planner'));

    return (new Planner)->plan(app(NetworkReader::class)->read(), RunParameters::options(Run::live()->parameters));
}

/** Decimal text as millionths, exactly. */
function millionths(string $text): int
{
    return Quantity::parse(str_replace([',', "\u{2212}", '+'], ['', '-', ''], $text));
}

it('explains every balance by lines that add up to it, and by moves that make each line', function (int $seed, string $bucket, string $as) {
    askedCompany($seed);
    $asked = 0;
    foreach (array_slice(test()->getJson("/plan/rows?bucket={$bucket}&as={$as}&sort=urgency")->json('rows'), 0, 8) as $row) {
        foreach (array_slice($row['cells'], 0, 12) as $cell) {
            $answer = test()->getJson('/plan/ask?'.http_build_query(
                ['item' => $row['item'], 'at' => $row['site'], 'period' => $cell['start'], 'bucket' => $bucket, 'as' => $as],
            ))->assertOk()->json();
            $sum = $total = 0;
            $opening = null;
            foreach ($answer['lines'] as $line) {
                if ($line['tone'] === 'sum') {
                    $total = millionths($line['qty']);
                } elseif ($line['qty'] !== null) {
                    $opening ??= millionths($line['qty']);
                    $sum += millionths($line['qty']);
                }
            }
            $moved = array_sum(array_map(fn (array $peg) => millionths($peg['qty']), $answer['pegs']));
            $name = "{$row['item']}@{$row['site']} {$cell['start']}";
            expect($total)->toBe($sum, $name)->and($total)->toBe(millionths($cell['figure']), $name)
                ->and($moved)->toBe($sum - (int) $opening, "what moves at {$name}");
            $asked++;
        }
    }
    expect($asked)->toBeGreaterThan(30);
})->with([[3, 'week', 'expected'], [4, 'day', 'needed'], [5, 'month', 'needed']]);

it('explains every proposal by lines and by whom it serves', function (int $seed) {
    $plan = askedCompany($seed);
    $serves = [];
    foreach ($plan->pegs() as $peg) {
        $peg->supply->isProposal() && $serves[(int) $peg->supply->name] = ($serves[(int) $peg->supply->name] ?? 0) + $peg->qty;
    }
    $groups = test()->get('/proposals?until=all&by=date')->assertOk()->inertiaProps('groups');
    $rows = array_slice(array_merge(...array_map(fn ($group) => (array) json_decode(json_encode($group), true)['rows'], $groups)), 0, 60);
    foreach ($rows as $row) {
        $detail = test()->getJson("/proposals/{$row['number']}")->assertOk()->json();
        $pegs = array_filter($detail['answer']['pegs'], fn (array $peg) => $peg['what']['label'] !== 'left over');
        $served = array_sum(array_map(fn (array $peg) => millionths($peg['qty']), $pegs));
        $left = array_sum(array_map(fn (array $peg) => millionths($peg['qty']), array_diff_key($detail['answer']['pegs'], $pegs)));
        expect($served)->toBe($serves[$row['number']] ?? 0, "proposal {$row['number']}")
            ->and($served + $left)->toBe(millionths($row['qty']))
            ->and($detail['row']['qty'])->toBe($row['qty'])
            ->and($detail['answer']['lines'])->not->toBe([]);
    }
    expect(count($rows))->toBeGreaterThan(20);
})->with([6, 7]);

/**
 * What is held of each order and sales line: how many needs, how many of them whole, in all and held, and whether it is all there in time.
 *
 * @return array<string, array{needs: int, complete: int, kept: int, there: bool, due: int, item: string}>
 */
function holdingsOf(Plan $plan): array
{
    $held = [];
    foreach ($plan->network->allocations as $row) {
        $held[$row->demand] = ($held[$row->demand] ?? 0) + $row->qty;
    }
    $inTime = [];
    foreach ($plan->pegs() as $peg) {
        if ($peg->supply->kind !== SupplyKind::Proposal && $peg->supply->available <= $peg->demand->date) {
            $reference = $peg->demand->reference();
            $inTime[$reference] = ($inTime[$reference] ?? 0) + $peg->qty;
        }
    }
    $orders = [];
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            if (in_array($demand->kind, [DemandKind::Forecast, DemandKind::Safety], true) || isOfAProposal($demand)) {
                continue;
            }
            $reference = $demand->reference();
            $subject = $demand->for === null ? $reference : $demand->for->reference();
            $kept = min($demand->qty, $held[$reference] ?? 0);
            $one = $orders[$subject] ?? ['needs' => 0, 'complete' => 0, 'kept' => 0, 'there' => true, 'due' => PHP_INT_MAX, 'item' => ''];
            $orders[$subject] = [
                'needs' => $one['needs'] + 1,
                'complete' => $one['complete'] + ($kept >= $demand->qty ? 1 : 0),
                'kept' => $one['kept'] + $kept,
                'there' => $one['there'] && max($inTime[$reference] ?? 0, $kept) >= $demand->qty,
                'due' => min($one['due'], (int) $demand->date),
                'item' => $plan->structure->points[$demand->for->point ?? $demand->point]->item->code,
            ];
        }
    }

    return $orders;
}

function isOfAProposal(Demand $demand): bool
{
    return $demand->for !== null && $demand->for->kind === SupplyKind::Proposal;
}

it('lists what is held as it is, however it is filtered', function (int $seed) {
    $orders = holdingsOf(askedCompany($seed));
    $page = fn (string $query) => (array) json_decode(
        (string) json_encode(test()->get("/reservations?{$query}")->assertOk()->original->getData()['page']['props']),
        true,
    );
    $status = fn (array $one) => $one['complete'] === $one['needs'] ? 'complete' : ($one['kept'] > 0 ? 'partly' : 'none');
    $all = $page('');
    expect($all['allOrders'])->toBe(count($orders))->and($all['matching'])->toBe(count($orders))
        ->and($all['allHolds'])->toBeGreaterThan(3);
    $last = 0;
    foreach ($all['orders'] as $row) {
        $one = $orders[$row['reference']];
        expect([$row['needs'], $row['complete'], $row['status'], $row['available'], $row['item']])
            ->toBe([$one['needs'], $one['complete'], $status($one), $one['there'], $one['item']], $row['reference'])
            ->and($one['due'])->toBeGreaterThanOrEqual($last);
        $last = $one['due'];
        $one['needs'] === 1 && expect(millionths($row['kept']))->toBe($one['kept'], $row['reference']);
    }
    $shown = fn (string $query) => $page($query)['orders'];
    $references = function (callable $fits) use ($orders): array {
        $fit = array_map(strval(...), array_keys(array_filter($orders, $fits)));
        sort($fit);

        return $fit;
    };
    $same = function (string $query, array $wanted) use ($shown, $page): void {
        $found = array_column($shown($query), 'reference');
        sort($found);
        expect($found)->toBe($wanted, $query)->and($page($query)['matching'])->toBe(count($wanted));
    };
    foreach (['complete', 'partly', 'none'] as $state) {
        $same("status={$state}", $references(fn (array $one) => $status($one) === $state));
    }
    $same('there=1', $references(fn (array $one) => $one['there']));
    $same('there=1&status=none', $references(fn (array $one) => $one['there'] && $status($one) === 'none'));
    $item = $all['orders'][0]['item'];
    $same('q='.strtolower($item), $references(fn (array $one) => $one['item'] === $item));
    expect($shown('q=nothing+is+called+so'))->toBe([]);
})->with([3, 4]);

it('counts for every page what the lists would, whatever has been answered and converted', function () {
    askedCompany(8);
    $counts = fn () => test()->get('/journal')->assertOk()->inertiaProps('counts');
    $lists = fn () => [
        'messages' => test()->get('/messages')->inertiaProps('total'),
        'proposals' => test()->get('/proposals?until=week')->inertiaProps('shown'),
    ];
    expect($counts())->toEqual($lists());
    $tasks = json_decode((string) json_encode(test()->get('/messages')->inertiaProps('tasks')), true);
    foreach ([['done', null], ['snoozed', '2026-03-20'], ['done', null]] as $place => [$state, $until]) {
        test()->postJson('/messages/answer', [
            'identity' => $tasks[$place]['identity'], 'facts' => $tasks[$place]['facts'], 'state' => $state, 'until' => $until, 'reason' => 'seen',
        ])->assertOk();
    }
    $groups = json_decode((string) json_encode(test()->get('/proposals?until=week&by=item')->inertiaProps('groups')), true);
    $rows = array_merge(...array_column($groups, 'rows'));
    test()->actingAs(Demo::user('administrator'));
    test()->postJson('/proposals/convert', [
        'run' => Run::live()->id, 'key' => str_repeat('k', 20), 'sure' => true, 'agreed' => true,
        'lines' => array_map(fn (array $row) => ['number' => $row['number']], array_slice($rows, 0, 3)),
    ])->assertOk();
    foreach (['', 'MAIN', 'SIDE'] as $site) {
        test()->post('/site', ['site' => $site]);
        expect($counts())->toEqual($lists(), "site {$site}");
    }
});

it('lists each hold with both its ends, and counts it where it stands', function () {
    $plan = askedCompany(5);
    $rows = (array) json_decode(
        (string) json_encode(test()->get('/reservations?view=held')->assertOk()->original->getData()['page']['props']),
        true,
    );
    $wanted = array_map(fn ($held) => "{$held->demand} {$held->supply} ".Quantity::format($held->qty), $plan->network->allocations);
    $found = array_map(fn (array $row) => "{$row['demand']} {$row['supply']} {$row['qty']}", $rows['held']);
    sort($wanted);
    sort($found);
    expect($found)->toBe($wanted)->and($rows['orders'])->toBe([])->and($rows['matching'])->toBe(count($wanted));
    foreach ($rows['held'] as $row) {
        expect(array_column($row['others'], 'of'))->not->toContain($row['demand']);
    }
    $item = $rows['held'][0]['item'];
    $some = (array) json_decode(
        (string) json_encode(test()->get("/reservations?view=held&q={$item}")->assertOk()->original->getData()['page']['props']),
        true,
    );
    $ofItem = count(array_filter($plan->network->allocations, fn ($held) => str_contains($held->supply, $item)));
    expect($some['matching'])->toBe($ofItem)->and($some['allHolds'])->toBe(count($wanted))->and($ofItem)->toBeLessThan(count($wanted));

    test()->post('/site', ['site' => 'SIDE']);
    $there = (array) json_decode(
        (string) json_encode(test()->get('/reservations?view=held')->assertOk()->original->getData()['page']['props']),
        true,
    );
    $orders = count(array_filter($plan->network->allocations, fn ($held) => str_starts_with($held->supply, 'order:T')));
    expect($there['matching'])->toBe($orders);
});
