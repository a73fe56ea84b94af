<?php

declare(strict_types=1);

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use Benchmarks\RandomBundle;
use Tests\Demo;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/*
 * What lists show of a random company, against a plain second computation: the plan in memory, filtered, sorted and added up in PHP,
 * without a table, a query or a view.
 */

/** @return array{Network, Plan} of a company in the database, planned again in memory */
function randomCompany(int $seed): array
{
    Demo::of(folderWith((new RandomBundle($seed, 60))->files()));
    test()->actingAs(Demo::user('planner'));
    $network = app(NetworkReader::class)->read();

    return [$network, (new Planner)->plan($network, RunParameters::options(Run::live()->parameters))];
}

/** @return list<mixed> of all pages of the grid */
function gridRows(string $query): array
{
    $rows = [];
    do {
        $more = test()->getJson("/plan/rows?{$query}&offset=".count($rows))->assertOk()->json('rows');
        $rows = [...$rows, ...$more];
    } while (count($more) === 50);

    return $rows;
}

function propsOf(string $path): array
{
    return json_decode((string) json_encode(test()->get($path)->assertOk()->original->getData()['page']['props']), true);
}

it('shows every balance of the grid as a sum of what comes and goes until then', function (int $seed, string $bucket, string $as) {
    [, $plan] = randomCompany($seed);
    $rows = gridRows("bucket={$bucket}&as={$as}&sort=code");
    expect($rows)->not->toBeEmpty();
    $points = [];
    foreach ($plan->structure->points as $index => $point) {
        $points["{$point->item->code}@{$point->site->code}"] = $index;
    }
    foreach ($rows as $row) {
        $index = $points["{$row['item']}@{$row['site']}"];
        foreach ($row['cells'] as $place => $cell) {
            $next = $row['cells'][$place + 1]['start'] ?? null;
            if ($next === null) {
                continue; // the last period shown ends where none begins
            }
            $end = Day::parse($next) - 1;
            $balance = 0;
            foreach ($plan->supplies[$index] ?? [] as $supply) {
                $balance += ($as === 'expected' ? $supply->available : $supply->effective) <= $end ? $supply->qty : 0;
            }
            foreach ($plan->demands[$index] ?? [] as $demand) {
                $balance -= $demand->need !== null && $demand->need <= $end ? $demand->qty : 0;
            }
            expect($cell['figure'])->toBe(Quantity::format($balance), "{$row['item']}@{$row['site']} to {$next}");
        }
    }
})->with([[11, 'week', 'expected'], [12, 'day', 'needed'], [13, 'month', 'expected']]);

it('shows what is needed and what is to start in a period, as plain sums make it, and explains each by what makes it up', function (int $seed, string $bucket) {
    [, $plan] = randomCompany($seed);
    $points = $plan->structure->points;
    $asked = 0;
    foreach (['needed', 'to_start'] as $show) {
        $sums = [];
        foreach ($show === 'needed' ? $plan->demands : $plan->supplies as $index => $things) {
            foreach ($things as $thing) {
                $day = $show === 'needed' ? $thing->need : ($thing->isProposal() ? max($thing->start, $plan->options->planDate) : null);
                $day === null || $sums["{$points[$index]->item->code}@{$points[$index]->site->code}"][$day][] = $thing->qty;
            }
        }
        $shown = gridRows("bucket={$bucket}&show={$show}&sort=code");
        foreach ($shown as $row) {
            foreach (array_slice($row['cells'], 0, -1) as $place => $cell) {
                $from = Day::parse($cell['start']);
                $to = Day::parse($row['cells'][$place + 1]['start']) - 1;
                $sum = 0;
                foreach ($sums["{$row['item']}@{$row['site']}"] ?? [] as $day => $qties) {
                    $sum += $day >= $from && $day <= $to ? array_sum($qties) : 0;
                }
                expect($cell['figure'])->toBe(Quantity::format($sum), "{$show} {$row['item']} {$cell['start']}")->and($cell['mark'])->toBe('calm');
                if ($sum > 0 && $asked++ < 60) {
                    $answer = test()->getJson('/plan/ask?'.http_build_query(
                        ['item' => $row['item'], 'at' => $row['site'], 'period' => $cell['start'], 'bucket' => $bucket, 'show' => $show],
                    ))->assertOk()->json();
                    expect(array_column($answer['lines'], 'qty', 'tone')['sum'])->toBe($cell['figure'])
                        ->and(array_sum(array_map(Quantity::parse(...), array_column($answer['pegs'], 'qty'))))->toBe($sum);
                }
            }
        }
    }
    expect($asked)->toBeGreaterThan(20);
})->with([[14, 'week'], [15, 'month']]);

it('filters and sorts the grid as a person would', function () {
    [, $plan] = randomCompany(21);
    $all = gridRows('sort=code');
    $name = fn (array $row) => "{$row['item']}@{$row['site']}";
    $codes = array_map($name, $all);
    $sorted = $all;
    usort($sorted, fn (array $a, array $b) => [$a['item'], $a['site']] <=> [$b['item'], $b['site']]);
    expect($codes)->toBe(array_map($name, $sorted))->and(count($all))->toBe(count($plan->supplies + $plan->demands));
    $same = fn (string $query, callable $fits) => expect(array_map($name, gridRows("{$query}&sort=code")))
        ->toBe(array_map($name, array_values(array_filter($all, $fits))), $query);
    foreach (['make', 'buy', 'transfer'] as $supply) {
        $same("supply={$supply}", fn (array $row) => $row['supply'] === $supply);
    }
    $same('trouble=1', fn (array $row) => $row['troubleFrom'] !== null);
    foreach (array_slice(array_unique(array_column($all, 'item')), 0, 4) as $item) {
        $text = substr((string) $item, 0, 3);
        $same(
            'q='.rawurlencode(strtolower($text)),
            fn (array $row) => stripos($row['item'], $text) !== false || stripos($row['name'], $text) !== false,
        );
    }
    $site = $all[0]['site'];
    $this->post('/site', ['site' => $site]);
    $same('', fn (array $row) => $row['site'] === $site);
});

it('counts and groups proposals as they are planned', function (int $seed) {
    [$network, $plan] = randomCompany($seed);
    $planDate = $plan->options->planDate;
    $proposals = array_values(array_filter(array_merge(...array_values($plan->supplies)), fn (Supply $one) => $one->isProposal()));
    $until = [
        'today' => $planDate, 'week' => Day::weekStart($planDate) + 6, 'fortnight' => Day::weekStart($planDate) + 13,
        'all' => PHP_INT_MAX,
    ];
    $kinds = [];
    foreach ($until as $name => $last) {
        $due = array_filter($proposals, fn (Supply $one) => $one->start <= $last);
        $page = propsOf("/proposals?until={$name}&by=item");
        $rows = array_merge(...array_column($page['groups'], 'rows'));
        while (count($rows) < $page['shown']) {
            $next = test()->getJson("/proposals/rows?until={$name}&by=item&offset=".count($rows))->assertOk()->json();
            expect($next['total'])->toBe($page['shown'])->and($next['groups'])->not->toBe([]);
            array_push($rows, ...array_merge(...array_column($next['groups'], 'rows')));
        }
        expect($page['total'])->toBe(count($proposals))->and($page['shown'])->toBe(count($due))
            ->and($page['passed'])->toBe(count(array_filter($proposals, fn (Supply $one) => $one->start < $planDate)))
            ->and($page['today'])->toBe(count(array_filter($proposals, fn (Supply $one) => $one->start === $planDate)));
        $numbers = array_map(intval(...), array_column($rows, 'number'));
        $wanted = array_map(fn (Supply $one) => (int) $one->name, array_values($due));
        sort($numbers);
        sort($wanted);
        expect($numbers)->toBe($wanted, $name);
        array_push($kinds, ...array_column($rows, 'kind'));
    }
    foreach (propsOf('/proposals?until=week&by=supplier')['groups'] as $group) {
        if ($group['value'] !== null) {
            $sum = array_sum(array_map(fn (array $row) => (int) $row['value'], $group['rows']));
            expect((int) $group['value'])->toBe($sum, $group['title'])
                ->and(array_unique(array_column($group['rows'], 'supplier')))->toHaveCount(1);
        }
    }
    expect(array_unique($kinds))->not->toBeEmpty()->and($network->items)->not->toBeEmpty();
})->with([31, 32]);

it('lists sales lines with the days that the plan gives them, late ones alone on demand', function (int $seed) {
    [$network, $plan] = randomCompany($seed);
    $expected = $late = [];
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            if ($demand->kind === DemandKind::Sales) {
                $expected["{$demand->name}/{$demand->line}"] = $demand->expected;
                $late["{$demand->name}/{$demand->line}"] = $demand->daysPastDue();
            }
        }
    }
    $open = array_values(array_filter($network->sales, fn (SalesLine $line) => $line->qty > $line->shipped));
    usort($open, fn (SalesLine $a, SalesLine $b) => [$a->due, $a->priority, $a->order] <=> [$b->due, $b->priority, $b->order]);
    $rows = propsOf('/demand')['sales'];
    expect(count($rows))->toBe(count($open))
        ->and(array_map(fn (array $row) => [$row['due'], $row['priority'], $row['order']], $rows))
        ->toBe(array_map(fn (SalesLine $line) => [Day::format($line->due), $line->priority, $line->order], $open));
    foreach ($rows as $row) {
        $key = "{$row['order']}/{$row['line']}";
        $day = $expected[$key] ?? null;
        expect([$row['expected'], $row['lateDays']])->toBe([$day === null ? null : Day::format($day), $late[$key] ?? 0], $key);
        $covered = array_sum(array_column($row['strip']['parts'] ?? [], 'share'));
        $row['strip'] === null || expect(abs($covered - 1000))->toBeLessThan(count($row['strip']['parts']), $key); // rounded each
    }
    $onlyLate = array_filter($rows, fn (array $row) => $row['lateDays'] > 0);
    expect(array_column(propsOf('/demand?late=1')['sales'], 'order'))->toBe(array_column($onlyLate, 'order'))->and($onlyLate)->not
        ->toBeEmpty();
    $customer = $rows[0]['customer'];
    $ofCustomer = array_filter(
        $rows,
        fn (array $row) => stripos("{$row['order']}\n{$row['customer']}\n{$row['item']}", $customer) !== false,
    );
    expect(array_column(propsOf('/demand?q='.rawurlencode($customer))['sales'], 'line'))->toBe(array_column($ofCustomer, 'line'));
})->with([41, 42]);

it('lists open orders with what the plan says of them', function () {
    [$network, $plan] = randomCompany(51);
    $said = [];
    foreach ($plan->messages() as $message) {
        if (in_array($message->code, [MessageCode::BringIn, MessageCode::PushOut, MessageCode::Cancel, MessageCode::Overdue], true)) {
            $code = substr($message->reference(), strlen('order:'));
            $said[$code] = ($said[$code] ?? null) === 'overdue' ? 'overdue' : $message->code->value;
        }
    }
    $orders = array_values($network->orders);
    usort($orders, fn (OpenOrder $a, OpenOrder $b) => [$a->due, $a->code] <=> [$b->due, $b->code]);
    $rows = propsOf('/orders')['orders'];
    expect(array_column($rows, 'code'))->toBe(array_slice(array_map(fn (OpenOrder $one) => $one->code, $orders), 0, count($rows)))
        ->and(propsOf('/orders')['total'])->toBe(count($orders));
    foreach ($rows as $row) {
        $order = $network->orders[$row['code']];
        expect([$row['kind'], $row['status'], $row['qty'], $row['due'], $row['message']])->toBe([
            $order->kind->value, $order->status->value, Quantity::format(max(0, $order->qty - $order->received)), Day::format($order->due),
            $said[$order->code] ?? null,
        ], $row['code'])->and($row['daysLate'])->toBe(max(0, $plan->options->planDate - $order->due));
    }
    foreach (['make', 'buy', 'transfer'] as $kind) {
        expect(array_column(propsOf("/orders?kind={$kind}")['orders'], 'code'))
            ->toBe(array_column(array_filter($rows, fn (array $row) => $row['kind'] === $kind), 'code'));
    }
    expect(array_column(propsOf('/orders?said=1')['orders'], 'code'))
        ->toBe(array_column(array_filter($rows, fn (array $row) => $row['message'] !== null), 'code'))
        ->and(array_column(propsOf('/orders?status=released')['orders'], 'code'))
        ->toBe(array_column(array_filter($rows, fn (array $row) => $row['status'] === 'released'), 'code'));
});

it('lists messages, most lines at risk first, and counts them by kind', function () {
    [, $plan] = randomCompany(61);
    $page = propsOf('/messages');
    $risks = array_column($page['tasks'], 'riskLines');
    $sorted = $risks;
    rsort($sorted);
    expect($page['total'])->toBe(count($plan->messages()))->and($risks)->toBe($sorted)
        ->and(array_sum(array_column($page['kinds'], 'count')))->toBe(count($plan->messages()));
    foreach ($page['kinds'] as $kind) {
        $count = count(array_filter($plan->messages(), fn ($message) => $message->code->value === $kind['code']));
        expect($kind['count'])->toBe($count, $kind['code'])->and(propsOf("/messages?kind={$kind['code']}")['total'])->toBe($count);
    }
});

it('takes stock, orders and proposals together to what sales lines are covered by', function () {
    [, $plan] = randomCompany(71);
    $pegged = [];
    foreach ($plan->pegs() as $peg) {
        if ($peg->demand->kind === DemandKind::Sales) {
            $key = "{$peg->demand->name}/{$peg->demand->line}";
            $kind = $peg->supply->available > (int) $peg->demand->date ? 'late' : match ($peg->supply->kind) {
                SupplyKind::Stock => 'stock',
                SupplyKind::Order => 'order',
                SupplyKind::Proposal => 'proposal',
            };
            $pegged[$key][$kind] = ($pegged[$key][$kind] ?? 0) + $peg->qty;
        }
    }
    $seen = 0;
    foreach (propsOf('/demand')['sales'] as $row) {
        $key = "{$row['order']}/{$row['line']}";
        foreach ($row['strip']['parts'] ?? [] as $part) {
            if ($part['kind'] !== 'nothing') {
                expect($part['qty'])->toBe(Quantity::format($pegged[$key][$part['kind']] ?? 0), "{$key} {$part['kind']}");
                $seen++;
            }
        }
    }

    expect($seen)->toBeGreaterThan(20);
});

it('opens the proposals on the first time in which something is to start, unless a time is asked for', function () {
    Demo::of(folderWith([
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n",
        'sites.csv' => "site,name\nMAIN,Main plant\n",
        'suppliers.csv' => "supplier,name\nSUP,Sundry Parts\n",
        'items.csv' => "item,name,unit,decimals\nSOON,Soon,pcs,0\nLATER,Later,pcs,0\n",
        'planning.csv' => "item,site,supply,lead_days,supplier\nSOON,MAIN,buy,2,SUP\nLATER,MAIN,buy,2,SUP\n",
        'sales.csv' => "order,line,item,site,qty,due\nS1,1,SOON,MAIN,5,2026-03-12\nS2,1,LATER,MAIN,5,2026-05-20\n",
    ]));
    test()->actingAs(Demo::user('planner'));
    $opened = fn (string $ask) => [propsOf("/proposals{$ask}")['filter']['until'], propsOf("/proposals{$ask}")['shown']];

    expect($opened(''))->toBe(['fortnight', 1])
        ->and($opened('?q=LATER'))->toBe(['all', 1])
        ->and($opened('?q=NOBODY'))->toBe(['all', 0])
        ->and($opened('?until=week'))->toBe(['week', 0])
        ->and($opened('?until=all'))->toBe(['all', 2]);
});
