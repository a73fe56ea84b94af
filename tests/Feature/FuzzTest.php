<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\Demo;
use Tests\WritingRoutes;

/*
 * Nothing that is sent makes the server fail: every route, with every field that it reads, is sent what nobody should send. Seeded, so that
 * what fails, fails again.
 */

/** A small company with an order of each kind, components written out and a forecast. */
function smallCompany(): void
{
    Demo::of(folderWith(Demo::copy('worked', [
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,firm,ROD,MAIN,SUP,50,2026-03-20\nM1,make,firm,HEAD,MAIN,,5,2026-03-20\n",
        'order_components.csv' => "order,line,item,qty\nM1,10,ROD,15\nM1,20,GLUE,2\n",
        'forecasts.csv' => "forecast,item,site,bucket,start,qty\nF,HEAD,MAIN,week,2026-03-16,3\n",
        'work_centres.csv' => "work_centre,site,units\nBENCH,MAIN,2\n", 'shifts.csv' => "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\n",
        'operations.csv' => "item,op,work_centre,setup_min,run_min\nHEAD,10,BENCH,10,30\n",
    ])));
}

/** What is sent in the place of a value. */
function nastyValues(): array
{
    return [
        'a list' => ['x', 'y'],
        'a list in a list' => [['x' => ['y']]],
        'nothing' => null,
        'empty' => '',
        'a word' => 'none',
        'a number of 19 digits' => '9223372036854775808',
        'a negative number' => '-1',
        'not finite' => '1e309',
        'a fraction' => '0.0000001',
        'no day' => '2026-02-31',
        'a day far away' => '99999-01-01',
        'the year 0' => '0000-00-00',
        'no UTF-8' => "\xff\xfe\xc0",
        'NUL' => "a\0b",
        'line breaks' => "a\r\nb",
        'long' => str_repeat('x', 5000),
        'a quote' => "'; drop table runs; --",
        'a pattern' => '%_\\',
        'a reference to nothing' => 'order:',
        'a reference of no kind' => 'nothing:at-all/1',
        'two colons' => 'part:a:b/c/d',
        'true' => true,
    ];
}

/** Fields that routes read from the address, by path; what stands first is sound. */
function readingRoutes(): array
{
    return [
        '/' => [], '/sign-in' => [],
        '/demand' => ['view' => 'forecast', 'q' => 'H', 'late' => '1', 'forecast' => 'F', 'site' => 'MAIN'],
        '/demand/line' => ['order' => 'S1', 'line' => '1'],
        '/demand/forecast-rows' => ['forecast' => 'F', 'size' => 'month', 'q' => 'H', 'points' => "HEAD\x1fMAIN", 'rows' => '5', 'offset' => '1'],
        '/demand/outlook' => ['forecast' => 'F', 'item' => 'HEAD', 'at' => 'MAIN', 'size' => 'week'],
        '/about' => ['of' => 'suppliers', 'code' => 'SUP'], '/why/line' => ['of' => 'sales:S1/1'], '/why/proposal' => ['number' => '1'], '/structures' => ['first' => 'HEAD', 'second' => 'ROD', 'down' => '1', 'differ' => '1'],
        '/costs' => ['q' => 'H', 'show' => 'all', 'sort' => '-margin', 'item' => 'ROD', 'to' => '3'],
        '/costs/rows' => ['item' => 'ROD', 'to' => '3', 'offset' => '1'], '/costs/parts' => ['of' => 'HEAD', 'item' => 'ROD', 'to' => '3'],
        '/jobs' => ['q' => 'J', 'sort' => 'name'], '/jobs/rows' => ['q' => 'J', 'offset' => '2'],
        '/promise' => ['of' => 'sales:S1/1', 'item' => 'HEAD', 'at' => 'MAIN'],
        '/plan' => [
            'q' => 'H', 'supply' => 'make', 'supplier' => 'X', 'trouble' => '1', 'sort' => 'code', 'bucket' => 'week', 'as' => 'needed',
        ],
        '/plan/rows' => ['offset' => '10', 'q' => 'H', 'supply' => 'make', 'sort' => 'urgency', 'bucket' => 'day', 'as' => 'expected'],
        '/plan/point' => ['item' => 'HEAD', 'at' => 'MAIN', 'bucket' => 'week', 'as' => 'expected'],
        '/plan/ask' => ['item' => 'HEAD', 'at' => 'MAIN', 'period' => '2026-03-02', 'bucket' => 'week', 'as' => 'expected'],
        '/item' => ['item' => 'HEAD', 'at' => 'MAIN', 'bucket' => 'week', 'as' => 'needed'],
        '/proposals' => ['by' => 'item', 'until' => 'week', 'q' => 'H', 'open' => '1'],
        '/proposals/1' => [], '/proposals/{1}' => [],
        '/orders' => ['kind' => 'buy', 'status' => 'open', 'q' => 'P', 'said' => '1'],
        '/orders/P1' => [], '/orders/{P1}' => [], '/order-detail/{P1}' => [],
        '/orders/line' => ['code' => 'P1', 'order' => 'P1'],
        '/messages' => ['kind' => 'bring_in', 'q' => 'H', 'show' => 'away', 'sort' => 'date'],
        '/messages/{1}/risk' => [],
        '/shortages' => [
            'days' => '14', 'from' => '2026-03-04', 'to' => '2026-03-10', 'by' => 'order', 'state' => 'waiting', 'q' => 'x', 'open' => 'part:M-1/1',
        ],
        '/shortages/rows' => [
            'days' => '14', 'from' => '2026-03-04', 'to' => '2026-03-10', 'state' => 'covered', 'by' => 'customer', 'q' => 'x', 'offset' => '100',
            'open' => 'part:M1/10',
        ],
        '/capacity' => ['bucket' => 'week', 'as' => 'hours', 'from' => '2026-03-09', 'kind' => 'orders', 'over' => '1', 'q' => 'H'],
        '/capacity/load' => ['bucket' => 'month', 'from' => '2026-03-09', 'kind' => 'proposals', 'over' => '1', 'q' => 'H'],
        '/capacity/cell' => ['centre' => 'BENCH', 'day' => '2026-03-16', 'bucket' => 'week'],
        '/capacity/reliefs' => ['centre' => 'BENCH', 'day' => '2026-03-16', 'bucket' => 'week'],
        '/board' => ['of' => 'order:M1'], '/board/bars' => ['from' => '7', 'days' => '14'], '/board/pick' => ['of' => 'order:M1'], '/board/look' => [],
        '/worklist' => ['centre' => 'BENCH'], '/worklist/rows' => ['centre' => 'BENCH'], '/worklist.pdf' => ['centre' => 'BENCH'],
        '/schedule' => ['orders' => 'M1,M2'], '/schedules/{1}' => [],
        '/shortages/remedies' => ['identity' => 'part:M1/10', 'item' => 'HEAD'],
        '/complete' => ['of' => 'order:M1', 'qty' => '3', 'due' => '2026-03-20'],
        '/complete/answer' => ['of' => 'order:M1', 'qty' => '3', 'due' => '2026-03-20'],
        '/complete/earliest' => ['of' => 'order:M1', 'qty' => '3'],
        '/complete/possible' => ['of' => 'order:M1', 'due' => '2026-03-20'],
        '/complete/parts' => ['of' => 'order:M1', 'qty' => '3', 'due' => '2026-03-20'],
        '/complete/subjects' => ['q' => 'H'],
        '/reservations' => ['view' => 'held', 'status' => 'none', 'q' => 'x', 'there' => '1'],
        '/journal' => ['q' => 'x'], '/studies' => ['open' => 'new'],
        '/compare' => ['a' => 'live', 'b' => 'run-1', 'list' => 'stock'],
        '/pegging' => ['of' => 'sales:S1/1', 'way' => 'down'],
        '/thread' => ['of' => 'sales:S1/1', 'way' => 'up'],
        '/thread/without' => ['of' => 'sales:S1/1'],
        '/search' => ['q' => 'H'],
        '/sheets/proposals.csv' => ['q' => 'x', 'until' => '2026-03-08'], '/sheets/messages.csv' => ['kind' => 'bring_in', 'q' => 'x'],
        '/sheets/plan.csv' => ['bucket' => 'week', 'q' => 'x', 'as' => 'needed'], '/sheets/flow.csv' => ['item' => 'HEAD', 'at' => 'MAIN'],
        '/sheets/{plan.csv}' => [], '/runs/{1}' => [], '/runs/kept' => [], '/draft' => [],
    ];
}

/** Whether an answer is one: what was refused in words, or what was asked for. */
function isAnAnswer(int $status): bool
{
    return $status < 500;
}

it('answers every address with whatever is asked', function () {
    smallCompany();
    $this->actingAs(Demo::user('administrator'));
    $failed = [];
    $asked = 0;
    foreach (readingRoutes() as $path => $fields) {
        $ask = function (string $address, string $what) use (&$failed, &$asked): void {
            $asked++;
            $answer = $this->get($address, ['Accept' => $asked % 2 === 0 ? 'application/json' : 'text/html']);
            $status = $answer->baseResponse->getStatusCode();
            isAnAnswer($status) || $failed[] = "{$what}: ".($answer->exception?->getMessage() ?? $status);
            try {
                $answer->baseResponse instanceof StreamedResponse && $answer->streamedContent();
            } catch (Throwable $trouble) {
                $failed[] = "{$what}: {$trouble->getMessage()}";
            }
        };
        if (str_contains($path, '{')) {
            foreach (nastyValues() as $name => $value) {
                is_string($value) && $ask(preg_replace('/\{[^}]*\}/', rawurlencode($value), $path) ?? '', "{$path} with {$name}");
            }

            continue;
        }
        $ask($path.'?'.http_build_query($fields), $path);
        foreach (array_keys($fields) as $place => $field) {
            foreach (array_filter(array_keys(nastyValues()), fn (int $n) => ($n + $place) % 2 === 0, ARRAY_FILTER_USE_KEY) as $name) {
                $value = nastyValues()[$name];
                $ask($path.'?'.http_build_query([...$fields, $field => $value]), "{$path} {$field} {$name}");
            }
        }
    }
    expect($failed)->toBe([])->and($asked)->toBeGreaterThan(700);
});

/** Puts something nasty into one place of what is sent. */
function spoilt(array $body, Randomizer $random): array
{
    $keys = array_keys($body);
    if ($keys === []) {
        return ['x' => array_values(nastyValues())[$random->getInt(0, count(nastyValues()) - 1)]];
    }
    $key = $keys[$random->getInt(0, count($keys) - 1)];
    if (is_array($body[$key]) && $random->getInt(0, 3) > 0) {
        $body[$key] = spoilt($body[$key], $random);
    } elseif ($random->getInt(0, 9) === 0) {
        unset($body[$key]);
    } else {
        $values = array_values(nastyValues());
        $body[$key] = $values[$random->getInt(0, count($values) - 1)];
    }

    return $body;
}

it('refuses in words whatever is sent to be written', function (int $seed) {
    smallCompany();
    $random = new Randomizer(new Mt19937($seed));
    $changes = [
        ['change' => 'move_order', 'order' => 'P1', 'due' => '2026-03-25', 'start' => null],
        ['change' => 'resize_order', 'order' => 'P1', 'qty' => '40'],
        ['change' => 'split_order', 'order' => 'P1', 'qty' => '20', 'due' => '2026-03-25', 'rest' => 'new:1'],
        ['change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => 'ROD', 'site' => 'MAIN', 'supplier' => 'SUP', 'qty' => '5', 'due' => '2026-03-20', 'rows' => []],
        ['change' => 'swap_component', 'order' => 'M1', 'line' => '10', 'substitute' => 'GLUE', 'ratio' => '1', 'qty' => '1'],
        ['change' => 'hold_supply', 'demand' => 'part:M1/10', 'supply' => 'order:P1', 'qty' => '1'],
        ['change' => 'free_supply', 'demand' => 'part:M1/10', 'supply' => 'order:P1'],
        ['change' => 'change_sales_line', 'order' => 'S1', 'line' => '1', 'qty' => '4', 'due' => '2026-03-25'],
        ['change' => 'put_sales_line', 'line' => ['order' => 'S7', 'line' => '1', 'item' => 'HEAD', 'site' => 'MAIN', 'qty' => '2', 'due' => '2026-03-27']],
        ['change' => 'remove_sales_line', 'order' => 'S1', 'line' => '1'],
        ['change' => 'put_rows', 'kind' => 'items', 'rows' => [['code' => 'BELL', 'unit' => 'pcs', 'decimals' => 2]], 'removed' => [['GLUE']]],
        ['change' => 'put_rows', 'kind' => 'planning', 'rows' => [['item' => 'ROD', 'site' => 'MAIN', 'supply' => 'buy', 'safetyStock' => '3']]],
        ['change' => 'put_rows', 'kind' => 'shifts', 'rows' => [['workCentre' => 'BENCH', 'weekdays' => '6', 'from' => '06:00', 'to' => '12:00']]],
        ['change' => 'scale_demand', 'percent' => 120, 'items' => ['HEAD'], 'customers' => []],
        ['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2'],
        ['change' => 'change_planning', 'item' => 'ROD', 'site' => 'MAIN', 'leadDays' => 3, 'safetyStock' => '5'],
        ['change' => 'work_days', 'calendar' => 'WORK', 'from' => '2026-03-10', 'to' => '2026-03-11', 'works' => false],
        ['change' => 'add_shift', 'workCentre' => 'BENCH', 'weekdays' => '5', 'from' => '14:00', 'to' => '18:00', 'units' => 1],
        ['change' => 'close_centre', 'workCentre' => 'BENCH', 'from' => '2026-03-09 06:00', 'to' => '2026-03-10 14:00', 'unit' => 1, 'reason' => 'broken'],
        ['change' => 'change_efficiency', 'workCentre' => 'BENCH', 'efficiency' => '90'],
        ['change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'BENCH', 'units' => '1', 'start' => '2026-03-09 06:00', 'fixed' => true],
        ['change' => 'take_off_board', 'order' => 'M1'],
        ['change' => 'set_forecast', 'forecast' => 'F', 'item' => 'HEAD', 'site' => 'MAIN', 'start' => '2026-03-16', 'qty' => '5'],
        ['change' => 'do_elsewhere', 'order' => 'M1', 'op' => 10, 'workCentre' => 'BENCH'],
        ['change' => 'fix_operation', 'order' => 'M1', 'op' => 10, 'fixed' => false],
        ['change' => 'change_crew', 'order' => 'M1', 'op' => 10, 'crew' => 2],
        ['change' => 'hold_order', 'order' => 'M1', 'held' => true],
        ['change' => 'start_not_before', 'order' => 'M1', 'day' => '2026-03-09'],
        ['change' => 'finish_by', 'order' => 'M1', 'day' => null],
        ['change' => 'prioritise_order', 'order' => 'P1', 'priority' => 2],
        ['change' => 'pin_order', 'order' => 'P1', 'pinned' => true],
        ['change' => 'buy_from', 'order' => 'P1', 'supplier' => 'SUP'],
        ['change' => 'release_order', 'order' => 'M1', 'released' => true],
    ];
    $routes = WritingRoutes::all();
    unset($routes['POST company/demo'], $routes['DELETE company/demo']); // with these all that the others speak of goes
    $failed = [];
    for ($sent = 0; $sent < 170; $sent++) {
        $this->actingAs(Demo::user('administrator'));
        if ($random->getInt(0, 1) === 0) {
            $one = $changes[$random->getInt(0, count($changes) - 1)];
            [$method, $path, $body] = $random->getInt(0, 2) > 0
                ? ['POST', 'draft/lines', ['changes' => [spoilt($one, $random)], 'title' => 'x']]
                : ['POST', 'studies', [
                    'name' => "S{$sent}", 'changes' => [spoilt($one, $random)], 'run' => true,
                    'parameters' => spoilt(['horizonEnd' => null, 'forecasts' => ['F'], 'sites' => ['MAIN'], 'safetyStock' => true], $random),
                ]];
        } else {
            $route = array_keys($routes)[$random->getInt(0, count($routes) - 1)];
            [$method, $path] = explode(' ', $route, 2);
            try {
                $body = spoilt($routes[$route][1](), $random);
            } catch (Throwable) {
                continue; // what it would speak of has gone by an earlier one
            }
        }
        $path = (string) preg_replace_callback('/\{(\w+)\}/', function ($name) use ($body): string {
            $value = $body[$name[1]] ?? 'x';

            return rawurlencode(is_scalar($value) ? (string) $value : 'x');
        }, $path);
        $answer = $this->json($method, "/{$path}", array_filter($body, fn ($value) => ! is_string($value) || mb_check_encoding($value, 'UTF-8')));
        isAnAnswer($answer->status())
            || $failed[] = "{$method} {$path} ".json_encode($body, JSON_INVALID_UTF8_SUBSTITUTE | JSON_PARTIAL_OUTPUT_ON_ERROR).': '
                .($answer->exception?->getMessage() ?? $answer->status());
    }
    expect(array_map(fn (string $one) => mb_substr($one, 0, 300), $failed))->toBe([])
        ->and($this->actingAs(Demo::user('planner'))->get('/studies')->status())->toBe(200)
        ->and($this->get('/')->status())->toBe(200);
})->with([1, 2, 3]);
