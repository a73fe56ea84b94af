<?php

declare(strict_types=1);

use App\Models\Draft;
use App\Planning\Ledger;
use App\Planning\NetworkReader;
use Benchmarks\RandomBundle;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Demo;
use Tests\Support;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Study\RowCodec;

/** What a commit writes beside the data: who did what, and what was asked. */
const BESIDE_THE_DATA = [
    'movements', 'activity_log', 'commits', 'commit_references', 'drafts', 'idempotency_keys', 'sessions', 'cache', 'cache_locks', 'jobs',
    'failed_jobs', 'migrations',
    'users', 'sqlite_sequence', 'conversions', 'settings', 'runs',
];

/**
 * All rows of the data by table, in the order of what they are: without their ids, versions and times, which may be others when a row comes
 * back. An order that was taken back stays as a cancelled one, so that nobody gets its code again: it is left out.
 *
 * @param  list<string>  $orders  that are known
 * @return array<string, list<string>>
 */
function dataRows(array $orders): array
{
    $orderOf = DB::table('order_lines')->pluck('code', 'id')->all();
    $parentOf = DB::table('orders')->pluck('code', 'id')->all();
    $cancelled = [
        ...DB::table('order_lines')->where('cancelled', true)->pluck('id', 'code')->all(),
        ...DB::table('orders')->where('status', 'cancelled')->pluck('id', 'code')->all(),
    ];
    $tables = [];
    foreach (array_diff(Schema::getTableListing(schemaQualified: false), BESIDE_THE_DATA) as $table) {
        $rows = [];
        foreach (DB::table($table)->get() as $row) {
            $row = (array) $row;
            isset($row['order_line_id']) && $row['order_line_id'] = $orderOf[$row['order_line_id']];
            $table === 'order_lines' && $row['order_id'] = $parentOf[$row['order_id']];
            unset($row['version'], $row['created_at'], $row['updated_at']);
            unset($row['id']);
            $code = $row['order_line_id'] ?? ($table === 'order_lines' || $table === 'orders' ? $row['code'] : '');
            $isGone = $code !== '' && ! in_array($code, $orders, true) && isset($cancelled[$code]);
            $isGone || $rows[] = json_encode($row, JSON_THROW_ON_ERROR);
        }
        sort($rows);
        $tables[$table] = $rows;
    }

    // what moved and was taken back stays in the ledger, both ways
    $tables['stock by ledger'] = Ledger::differences()->pluck('item_code')->all();
    expect($tables['stock by ledger'])->toBe([]);

    return $tables;
}

/** A change of the demo company as a person might draft it; not each of them fits. */
function randomDraft(Randomizer $random): array
{
    $one = fn (array $list) => $list[$random->getInt(0, count($list) - 1)];
    $day = fn () => date('Y-m-d', strtotime('2026-03-02') + $random->getInt(0, 60) * 86_400);
    $order = fn () => $one(DB::table('order_lines')->orderBy('code')->pluck('code')->all());
    $point = fn () => (array) $one(DB::table('planning_data')->orderBy('id')->get(['item_code', 'site_code'])->all());
    $line = fn () => (array) $one(DB::table('sales_lines')->orderBy('id')->get()->all());
    $component = fn () => (array) $one(DB::table('order_components')->join('order_lines', 'order_line_id', 'order_lines.id')
        ->orderBy('order_components.id')->get(['code', 'line', 'order_components.item_code'])->all());
    $qty = fn () => (string) $random->getInt(1, 60);
    $bought = fn () => (array) $one(DB::table('supplier_items')->orderBy('id')->get()->all());
    $made = fn () => (array) $one(DB::table('planning_data')->where('supply', 'make')->orderBy('id')->get(['item_code', 'site_code'])->all());
    $kinds = [
        fn () => ['change' => 'move_order', 'order' => $order(), 'due' => $day()],
        fn () => ['change' => 'resize_order', 'order' => $order(), 'qty' => $qty()],
        fn () => ['change' => 'split_order', 'order' => $order(), 'qty' => '2', 'due' => $day(), 'rest' => 'new:1'],
        fn () => ['change' => 'cancel_order', 'order' => $order()],
        fn () => ['change' => 'buy_from', 'order' => $order(), 'supplier' => $one(DB::table('suppliers')->orderBy('code')->pluck('code')->all())],
        fn () => ['change' => 'pin_order', 'order' => $order(), 'pinned' => $random->getInt(0, 1) === 1],
        fn () => ['change' => 'prioritise_order', 'order' => $order(), 'priority' => $random->getInt(1, 9)],
        fn () => ['change' => 'change_stock', 'item' => $point()['item_code'], 'site' => 'MAIN', 'qty' => $qty()],
        function () use ($line, $day, $qty) {
            $row = $line();

            return ['change' => 'change_sales_line', 'order' => $row['order_code'], 'line' => $row['line'], 'qty' => $qty(), 'due' => $day()];
        },
        function () use ($line, $day, $qty, $random) {
            $row = $line();
            $own = ['order' => $row['order_code'], 'item' => $row['item_code'], 'site' => $row['site_code'], 'customer' => 'New'];

            return ['change' => 'put_sales_line', 'line' => [...$own, 'line' => 'n'.$random->getInt(1, 9), 'qty' => $qty(), 'due' => $day()]];
        },
        fn () => ['change' => 'remove_sales_line', 'order' => ($row = $line())['order_code'], 'line' => $row['line']],
        fn () => [
            'change' => 'change_planning', 'item' => ($at = $point())['item_code'], 'site' => $at['site_code'],
            'leadDays' => $random->getInt(1, 30), 'safetyStock' => $qty(),
        ],
        fn () => ['change' => 'scale_demand', 'percent' => $random->getInt(50, 200), 'items' => [$line()['item_code']], 'customers' => []],
        fn () => ['change' => 'add_shift', 'workCentre' => 'BENCH', 'weekdays' => '56', 'from' => '14:00', 'to' => '22:00', 'units' => $random->getInt(1, 2)],
        fn () => ['change' => 'change_efficiency', 'workCentre' => 'BENCH', 'efficiency' => (string) $random->getInt(50, 120)],
        fn () => [
            'change' => 'move_operation', 'order' => $order(), 'op' => 10, 'workCentre' => 'BENCH', 'units' => (string) $random->getInt(1, 2),
            'start' => $day().' 07:00',
        ],
        fn () => ['change' => 'take_off_board', 'order' => $order()],
        fn () => ['change' => 'change_crew', 'order' => $order(), 'op' => 10, 'crew' => $random->getInt(1, 2)],
        fn () => ['change' => 'hold_order', 'order' => $order(), 'held' => true],
        fn () => ['change' => 'start_not_before', 'order' => $order(), 'day' => $day()],
        fn () => ['change' => 'finish_by', 'order' => $order(), 'day' => $day()],
        fn () => [
            'change' => 'close_centre', 'workCentre' => 'BENCH', 'from' => $day().' 06:00', 'to' => '2027-01-01 00:00', 'unit' => 2,
            'reason' => 'broken, "again"',
        ],
        fn () => ['change' => 'work_days', 'calendar' => (string) DB::table('calendars')->value('code'), 'from' => $from = $day(), 'to' => $from, 'works' => $random->getInt(0, 1) === 1],
        fn () => [
            'change' => 'put_order', 'order' => 'new:1', 'kind' => 'buy', 'item' => ($offer = $bought())['item_code'], 'site' => 'MAIN',
            'supplier' => $offer['supplier_code'], 'qty' => $qty(), 'due' => $day(),
        ],
        fn () => [
            'change' => 'put_order', 'order' => 'new:1', 'kind' => 'make', 'item' => ($at = $made())['item_code'], 'site' => $at['site_code'],
            'qty' => $qty(), 'due' => $day(),
        ],
        function () use ($component, $point) {
            $row = $component();
            $substitute = DB::table('substitutes')->where('component_code', $row['item_code'])->value('substitute_code') ?? $point()['item_code'];

            return ['change' => 'swap_component', 'order' => $row['code'], 'line' => $row['line'], 'substitute' => $substitute, 'ratio' => '1'];
        },
        function () use ($one, $qty, $random) {
            $row = $one(app(NetworkReader::class)->read()->bom);
            $isChanged = $random->getInt(0, 2) > 0;

            return [
                'change' => 'put_rows', 'kind' => 'bom', 'removed' => [Declaration::of(BomLine::class)->identity($row)],
                'rows' => $isChanged ? [[...RowCodec::encode($row), 'qty' => $qty()]] : [],
            ];
        },
        fn () => ['change' => 'put_rows', 'kind' => 'items', 'rows' => [
            ['code' => 'N'.$random->getInt(1, 5), 'decimals' => 2], ['code' => 'N'.$random->getInt(6, 9), 'salesPrice' => $qty(), 'retired' => true],
        ]],
        fn () => ['change' => 'put_rows', 'kind' => 'jobs', ...$random->getInt(0, 3) === 0
            ? ['rows' => [], 'removed' => [['J'.$random->getInt(1, 2)]]]
            : ['rows' => [['code' => 'J'.$random->getInt(1, 3), 'priority' => $random->getInt(1, 9)]]]],
        function () use ($one, $point, $qty, $day, $random) {
            $own = $one(app(NetworkReader::class)->read()->jobLines);
            $new = ['job' => 'J'.$random->getInt(1, 2), 'line' => (string) $random->getInt(1, 30), 'site' => 'MAIN', 'qty' => $qty(), 'due' => $day()];

            return ['change' => 'put_rows', 'kind' => 'job_lines', ...match ($random->getInt(0, 3)) {
                0 => ['rows' => [[...$new, 'item' => $point()['item_code'], 'approved' => true]]],
                1 => ['rows' => [[...$new, 'text' => 'something']]],
                2 => ['rows' => [[...RowCodec::encode($own), 'approved' => ! $own->approved, 'qty' => $qty()]]],
                default => ['rows' => [], 'removed' => [[$own->job, $own->line]]],
            }];
        },
        fn () => ['change' => 'put_rows', 'kind' => 'operations', 'rows' => [ // without a site, as those that are there
            ['item' => $made()['item_code'], 'op' => 10, 'workCentre' => 'BENCH', 'run' => $qty()],
        ]],
        fn () => ['change' => 'put_rows', 'kind' => 'shifts', 'rows' => [
            ['workCentre' => 'BENCH', 'weekdays' => '6', 'from' => '0'.$random->getInt(5, 9).':00', 'to' => '12:00'],
        ]],
        fn () => [
            'change' => 'hold_supply', 'demand' => 'part:'.($row = $component())['code'].'/'.$row['line'],
            'supply' => "stock:{$row['item_code']}@MAIN", 'qty' => '1',
        ],
    ];

    return $one($kinds)();
}

/** A small random company with substitutes, suppliers and orders whose components are written out. */
function draftable(int $seed): array
{
    $files = (new RandomBundle($seed, 40))->files();
    $files['substitutes.csv'] = "item,component,substitute,ratio,rank\n";
    $items = array_column(Support::parse($files['items.csv']), 'item');
    foreach (Support::parse($files['bom.csv']) as $number => $row) {
        $other = $items[count($items) - 1 - $number % 5];
        in_array($other, [$row['item'], $row['component']], true)
            || $files['substitutes.csv'] .= "{$row['item']},{$row['component']},{$other},2,1\n";
    }

    $files['work_centres.csv'] = "work_centre,site,units\nBENCH,MAIN,2\n";
    $files['shifts.csv'] = "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\n";
    $files['jobs.csv'] = "job,priority\nJ1,3\nJ2,7\n";
    $files['job_lines.csv'] = "job,line,item,site,qty,due,approved\nJ1,10,{$items[0]},MAIN,4,2026-04-01,1\nJ1,20,{$items[1]},MAIN,2,2026-04-02,0\n";
    $files['operations.csv'] = "item,op,work_centre,run_min\n".implode('', array_map(fn (string $item) => "{$item},10,BENCH,5\n", $items));

    return $files;
}

it('gives the tables back row by row when what was committed is undone, whatever it was', function (int $seed) {
    Demo::of(folderWith(draftable($seed)));
    $this->actingAs(Demo::user('administrator'));
    $random = new Randomizer(new Mt19937($seed));
    $user = Demo::user('administrator');
    $orders = [...DB::table('orders')->pluck('code')->all(), ...DB::table('order_lines')->pluck('code')->all()];
    $before = dataRows($orders);
    $kinds = [];
    for ($try = 0; $try < 60 && count($kinds) < 7; $try++) {
        $change = randomDraft($random);
        $answer = $this->postJson('/draft/lines', ['changes' => [$change]]);
        expect($answer->status())->toBeIn([200, 422], json_encode($change).$answer->getContent());
        $answer->status() === 200 && $kinds[] = $change['change'];
    }
    expect(dataRows($orders))->toBe($before, 'a draft writes nothing');

    $key = str_repeat((string) $seed, 16);
    $commit = $this->postJson('/draft/commit', ['version' => Draft::of($user)->version, 'key' => $key])->assertOk()->json('commit');
    expect(dataRows($orders))->not->toBe($before);

    // what can be committed can be exported and read again
    $zip = new ZipArchive;
    $zip->open($this->get('/bundle.zip')->assertOk()->baseResponse->getFile()->getPathname());
    $files = [];
    for ($place = 0; $place < $zip->numFiles; $place++) {
        $files[(string) $zip->getNameIndex($place)] = (string) $zip->getFromIndex($place);
    }
    expect(Support::refusal(fn () => Support::bundle($files)))->toBe('');

    $this->postJson("/journal/{$commit}/undo", ['key' => str_repeat('u', 20)])->assertOk();
    $after = dataRows($orders);
    foreach ($before as $table => $rows) {
        expect($after[$table])->toBe($rows, "{$table} after ".implode(', ', $kinds));
    }
})->with(range(1, 12));
