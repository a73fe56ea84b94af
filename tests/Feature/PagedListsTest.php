<?php

declare(strict_types=1);

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\DemandView;
use App\Reading\ListOrder;
use App\Reading\MessageList;
use App\Reading\OrderIndex;
use App\Reading\ProposalList;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Demand\ForecastConsumption;
use Yposta\Core\Quantity\Quantity;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
});

/** The rows of an answer, with those under headings one after the other. */
function rowsIn(array $answer): array
{
    return $answer['rows'] ?? array_merge([], ...array_map(
        fn (array $group) => array_map(fn (array $row) => [...$row, 'group' => $group['key']], $group['rows']), $answer['groups'],
    ));
}

/** All rows of a list, page by page. */
function wholeList(string $url): array
{
    $rows = [];
    do {
        $answer = test()->getJson("{$url}&offset=".count($rows))->assertOk()->json();
        $page = rowsIn($answer);
        array_push($rows, ...$page);
    } while ($page !== [] && count($rows) < $answer['total']);
    expect($rows)->toHaveCount($answer['total']);

    return $rows;
}

/** What a list is sorted by, as its rows show it. */
$shown = [
    '/demand/rows?' => [
        'order' => 'order', 'customer' => 'customer', 'item' => 'item', 'site' => 'site', 'due' => 'due', 'priority' => 'priority',
        'expected' => 'expected', 'open' => fn (array $row) => (float) $row['open'],
    ],
    '/order-rows?' => [
        'order' => 'code', 'kind' => 'kind', 'state' => 'status', 'site' => 'site', 'due' => 'due', 'says' => 'message',
        'qty' => fn (array $row) => $row['qty'] === null ? null : (float) $row['qty'],
    ],
    '/messages/rows?' => ['text' => 'text', 'from' => 'from', 'to' => 'to', 'lines' => 'riskLines', 'kind' => 'code'],
    '/proposals/rows?until=all&by=date&' => [],
];

it('gives every list page by page, the same rows as in one, whatever it is sorted by', function (string $url, array $columns) {
    $whole = wholeList($url);
    $half = intdiv(count($whole), 2);
    $rest = array_slice(rowsIn($this->getJson("{$url}&offset={$half}")->json()), 0, 20);
    expect(count($whole))->toBeGreaterThan(20)->and($rest)->toBe(array_slice($whole, $half, count($rest)))
        ->and(rowsIn($this->getJson("{$url}&offset=".count($whole))->json()))->toBe([])
        ->and(rowsIn($this->getJson("{$url}&offset=-5&sort=nothing")->json()))->toBe(array_slice($whole, 0, ListOrder::ROWS));
    foreach ($columns as $sort => $of) {
        foreach (['', '-'] as $way) {
            $values = array_map(fn (array $row) => is_string($of) ? $row[$of] : $of($row), wholeList("{$url}sort={$way}{$sort}"));
            expect($values)->toHaveCount(count($whole));
            $values = array_values(array_filter($values, fn ($value) => $value !== null));
            $sorted = $values;
            usort($sorted, fn ($a, $b) => is_string($a) ? strcmp($a, $b) : $a <=> $b);
            expect($values)->toBe($way === '' ? $sorted : array_reverse($sorted), "{$url} {$way}{$sort}");
        }
    }
})->with(array_map(fn (string $url) => [$url, $shown[$url]], array_keys($shown)));

it('gives a forecast item by item, with what orders consume of each as one run over all of them has it', function () {
    $url = '/demand/forecast-rows?forecast=BASE&';
    $rows = wholeList($url);
    $half = intdiv(count($rows), 2);
    expect($this->getJson("{$url}offset={$half}")->json('rows.0'))->toBe($rows[$half])
        ->and($this->get('/demand?view=forecast&forecast=BASE')->inertiaProps('allRows'))->toBe(count($rows))
        ->and(array_unique(array_map(fn (array $row) => "{$row['item']}@{$row['site']}", $rows)))->toHaveCount(count($rows));
    $left = [];
    $options = RunParameters::options(Run::live()->parameters);
    foreach ((new ForecastConsumption($options))->remaining(app(NetworkReader::class)->read()) as $one) {
        $one->bucket->forecast !== 'BASE' || $left["{$one->bucket->item}@{$one->bucket->site}"][Day::format($one->bucket->start)] = $one->left;
    }
    $seen = 0;
    $starts = array_column($this->get('/demand?view=forecast&forecast=BASE')->inertiaProps('periods'), 'start');
    foreach ($rows as $row) {
        foreach ($row['left'] as $place => $shown) {
            $remaining = $left["{$row['item']}@{$row['site']}"][$starts[$place]] ?? null;
            $remaining === null || expect($shown)->toBe(Quantity::format($remaining)) && $seen++;
        }
    }
    expect($seen)->toBeGreaterThan(20);
});

it('counts and sums up a heading over all its proposals, and sorts under the headings', function (string $by) {
    $url = "/proposals/rows?until=all&by={$by}&";
    $sums = $counts = [];
    foreach (wholeList($url) as $row) {
        $counts[$row['group']] = ($counts[$row['group']] ?? 0) + 1;
        $sums[$row['group']] = ($sums[$row['group']] ?? 0) + (int) $row['value'];
    }
    $order = array_map(strval(...), array_keys($counts));
    $seen = [];
    for ($offset = 0; ; $offset += ListOrder::ROWS) {
        $groups = $this->getJson("{$url}offset={$offset}")->json('groups');
        if ($groups === []) {
            break;
        }
        foreach ($groups as $group) {
            expect($group['count'])->toBe($counts[$group['key']]);
            $group['value'] === null || expect((int) $group['value'])->toBe($sums[$group['key']]);
            $seen[$group['key']] = true;
        }
    }
    expect(array_map(strval(...), array_keys($seen)))->toBe($order)->and(array_sum($counts))->toBeGreaterThan(1000);
    $rows = wholeList("{$url}sort=-qty");
    expect(array_values(array_unique(array_column($rows, 'group'))))->toBe($order);
    foreach ($rows as $place => $row) {
        $next = $rows[$place + 1] ?? null;
        $next === null || $next['group'] !== $row['group'] || expect((float) $row['qty'])->toBeGreaterThanOrEqual((float) $next['qty']);
    }
})->with(['supplier', 'item', 'date']);

it('knows an order for each name', function () {
    foreach ([
        '/demand/rows?' => DemandView::SORTED, '/order-rows?' => OrderIndex::SORTED, '/messages/rows?' => MessageList::SORTED,
        '/proposals/rows?until=week&' => ProposalList::SORTED,
    ] as $url => $names) {
        foreach (array_keys($names) as $name) {
            $this->getJson("{$url}sort={$name}")->assertOk();
            $this->getJson("{$url}sort=-{$name}")->assertOk();
        }
    }
});

it('counts what is left under a heading when some of it has been ordered, at one site as at all', function (string $by) {
    $run = Run::live();
    $page = fn (string $url) => $this->get($url)->assertOk()->viewData('page')['props'];
    $can = fn (array $row) => ($row['kind'] !== 'buy' || $row['supplier'] !== null) && $row['daysToStart'] > 0 && $row['waitsFor'] === null;
    $open = array_column(array_values(array_filter(wholeList('/proposals/rows?until=all&by=supplier'), $can)), 'number');
    $ordered = array_merge(array_slice($open, 0, 7), array_slice($open, 500, 5), array_slice($open, -3));
    foreach (array_chunk($ordered, 5) as $numbers) {
        $this->postJson('/proposals/convert', [
            'run' => $run->id, 'key' => bin2hex(random_bytes(12)), 'lines' => array_map(fn (int $number) => ['number' => $number], $numbers),
            'sure' => true, 'agreed' => true,
        ])->assertOk();
    }
    foreach (['', 'LIN', 'HAL'] as $site) {
        $this->withSession(['site' => $site]);
        foreach (['all', 'fortnight'] as $until) {
            $rows = wholeList("/proposals/rows?until={$until}&by={$by}");
            $groups = $page("/proposals?until={$until}&by={$by}");
            expect($groups['shown'])->toBe(count($rows));
            $counts = array_count_values(array_column($rows, 'group'));
            foreach ($groups['groups'] as $group) {
                expect($group->count)->toBe($counts[$group->key], "{$site} {$group->title}");
            }
            $site === '' || expect(array_unique(array_column($rows, 'site')))->toHaveCount($rows === [] ? 0 : 1);
            expect(array_intersect(array_column($rows, 'number'), $ordered))->toBe([]);
        }
        $all = array_column(wholeList("/proposals/rows?until=all&by={$by}"), 'number');
        expect(array_unique($all))->toHaveCount(count($all))->and($page('/proposals?until=all')['total'])->toBe(count($all));
    }
})->with(['supplier', 'item', 'date']);

it('asks the database at most forty questions for a page', function (string $path) {
    $this->get($path)->assertOk();
    DB::flushQueryLog();
    DB::enableQueryLog();
    $this->get($path)->assertOk();
    $asked = array_column(DB::getQueryLog(), 'query');
    DB::disableQueryLog();
    expect(count($asked))->toBeGreaterThan(5)->toBeLessThanOrEqual(40, implode("\n", $asked));
})->with(function () {
    foreach ([
        '/', '/demand', '/demand?view=forecast', '/promise', '/plan', '/shortages', '/capacity', '/board', '/worklist', '/schedule', '/proposals?until=all', '/proposals?until=all&by=item', '/orders', '/messages',
        '/messages?show=away', '/journal', '/studies', '/reservations',
    ] as $path) {
        yield $path => [$path];
    }
    yield 'pegging' => ['/pegging?of='.rawurlencode('sales:SO-7702/1')];
    yield 'thread' => ['/thread?of='.rawurlencode('sales:SO-7702/1')];
});
