<?php

declare(strict_types=1);

namespace Tests;

use App\Models\AskedSchedule;
use App\Models\Draft;
use App\Models\Run;
use App\Models\User;
use App\Planning\NetworkWriter;
use App\Support\Journal;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Worker;
use Closure;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\PutOperations;

/** The routes that write, for the tests that go through all of them. */
final class WritingRoutes
{
    /**
     * Every route that writes, by method and path, with a request that would do so: the right it takes (one of some, null for none), and
     * what is sent; a name in the path is taken from what is sent.
     *
     * @return array<string, array{string|list<string>|null, Closure(): array<string, mixed>}>
     */
    public static function all(): array
    {
        $proposal = fn (string $type) => (int) DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')
            ->where('type', $type)->orderBy('n')->value('name');
        $key = fn (): array => ['key' => bin2hex(random_bytes(10))];
        $commit = function (): int {
            test()->actingAs(Demo::user('administrator'));
            test()->postJson('/draft/lines', ['changes' => [['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2']]])
                ->assertOk();
            $version = Draft::of(Demo::user('administrator'))->version;

            return test()->postJson('/draft/commit', ['version' => $version, 'key' => bin2hex(random_bytes(10))])->assertOk()->json('commit');
        };
        $study = function (): int {
            test()->actingAs(Demo::user('administrator'));

            return test()->postJson('/studies', ['name' => 'Whose', 'changes' => [], 'parameters' => []])->assertOk()->json('id');
        };
        $missing = fn (): int => (int) DB::table('missing_materials')->insertGetId([
            'order_code' => 'M1', 'line' => '10', 'item_code' => 'ROD', 'until' => '2026-03-25', 'note' => '',
            'user_id' => User::query()->value('id'), 'created_at' => now(),
        ]);
        $hold = ['demand' => 'sales:S1/1', 'supply' => 'stock:HEAD@MAIN'];
        $held = function () use ($hold, $key): array {
            test()->actingAs(Demo::user('administrator'));
            test()->postJson('/reservations/hold', [...$hold, 'qty' => '5', ...$key()])->assertOk();

            return $hold;
        };
        $message = fn (): object => DB::table('plan_messages')->where('run_id', Run::live()->id)->where('reference', 'order:P1')->first();
        $schedule = fn (string $status): int => AskedSchedule::query()->create([
            'user_id' => User::query()->value('id'), 'status' => $status, 'worker' => Worker::here(), 'options' => [
                'rule' => 'due', 'direction' => 'forward', 'aim' => 'late', 'steps' => 0, 'seconds' => 5, 'frozenDays' => 0,
                'proposalsDays' => 5, 'setupWindow' => 3, 'centres' => null, 'orders' => null,
            ], 'summary' => null, 'seen' => [], 'changes' => [ChangeCodec::encode(new PutOperations('M1', [OrderOperation::of(
                order: 'M1', op: 10, workCentre: 'BENCH', run: 30_000_000, start: '2026-03-09 06:00', end: '2026-03-09 08:30', units: '1',
            )]))],
        ])->id;
        $bought = function (string $code, array $with): string {
            DB::table('orders')->insertOrIgnore([
                'code' => $code, 'kind' => 'buy', 'status' => 'firm', 'site_code' => 'MAIN', 'supplier_code' => 'SUP', 'created_at' => now(),
                'updated_at' => now(), ...$with,
            ]);
            DB::table('order_lines')->insertOrIgnore([
                'order_id' => DB::table('orders')->where('code', $code)->value('id'), 'number' => 1, 'code' => $code, 'item_code' => 'ROD',
                'qty' => 5_000_000, 'received' => 0, 'due' => '2026-03-20', 'pinned' => false, 'priority' => 5,
                ...(($with['status'] ?? '') === 'released' ? ['confirmed_qty' => 5_000_000, 'confirmed_due' => '2026-03-23', 'confirmed_at' => now()] : []),
            ]);
            DB::table('suppliers')->update(['email' => 'sup@sup.example']);
            Journal::write('import', 'A purchase.', null);

            return $code;
        };
        $asked = fn (): string => $bought('Q9', ['is_request' => true]);
        $sent = fn (): string => $bought('P7', ['status' => 'released', 'sent_at' => now()]);
        $promise = ['lines' => [['item' => 'GLUE', 'site' => 'MAIN', 'qty' => '0.5', 'date' => '2026-04-20']], 'order' => 'E-9', 'customer' => 'Pier 9'];
        $anyone = array_values(array_diff(array_unique(array_merge(...array_values(Roles::OF))), [Roles::REPORT]));

        return [
            'POST company/demo' => [Roles::SETTINGS, function () {
                DB::table('items')->count() === 0 || app(NetworkWriter::class)->clear();

                return [];
            }],
            'DELETE company/demo' => [Roles::SETTINGS, function () {
                Settings::set(Settings::IS_DEMO, true);

                return [];
            }],
            'POST data/bring' => [Roles::DATA, fn () => ['kind' => 'items', 'text' => "item\nBELL\n", 'new' => 1, 'changed' => 0, ...$key()]],
            'POST proposals/put-off' => [Roles::BUY, fn () => [
                'run' => Run::live()->id, 'numbers' => [$proposal('buy')], 'until' => '2026-03-20', 'reason' => 'it can wait', ...$key(),
            ]],
            'POST proposals/take-up' => [Roles::BUY, function () use ($proposal, $key): array {
                test()->actingAs(Demo::user('administrator'));
                $some = ['run' => Run::live()->id, 'numbers' => [$proposal('buy')]];
                test()->postJson('/proposals/put-off', [...$some, 'until' => '2026-03-20', 'reason' => 'it can wait', ...$key()])->assertOk();

                return [...$some, ...$key()];
            }],
            'POST company' => [Roles::SETTINGS, fn () => ['values' => ['overPercent' => 17], 'seen' => ['overPercent' => 10]]],
            'POST people' => [Roles::SETTINGS, fn () => ['email' => 'orla@marrowby.example', 'name' => 'Orla Quist', 'role' => 'buyer']],
            'POST people/password' => [Roles::SETTINGS, fn () => ['email' => Demo::user('viewer')->email]],
            'POST people/retire' => [Roles::SETTINGS, fn () => ['email' => Demo::user('viewer')->email]],
            'POST demand/forecast' => [Roles::FORECAST, fn () => [
                'forecast' => 'F', ...$key(),
                'rows' => [['item' => 'HEAD', 'site' => 'MAIN', 'cells' => [['2026-03-16', '9', (int) DB::table('forecast_buckets')->value('version')]]]],
            ]],
            'POST demand/forecast/copy' => [Roles::FORECAST, fn () => ['forecast' => 'NEXT', 'source' => 'forecast', 'from' => 'F', 'percent' => 110, ...$key()]],
            'POST jobs/approve' => [Roles::APPROVE, function () use ($key): array {
                DB::table('jobs_for_customers')->insertOrIgnore(['code' => 'J1', 'name' => 'J1', 'customer' => '', 'priority' => 5]);
                DB::table('job_lines')->insertOrIgnore([
                    'job_code' => 'J1', 'line' => '1', 'activity' => '', 'item_code' => 'HEAD', 'text' => '', 'site_code' => 'MAIN', 'qty' => 1_000_000,
                    'due' => '2026-03-20',
                ]);

                return ['job' => 'J1', 'lines' => ['1'], 'approve' => true, ...$key()];
            }],
            'POST jobs/supply' => [Roles::STOCK, function () use ($key): array {
                DB::table('jobs_for_customers')->insertOrIgnore(['code' => 'J1', 'name' => 'J1', 'customer' => '', 'priority' => 5]);
                DB::table('job_lines')->insertOrIgnore([
                    'job_code' => 'J1', 'line' => '1', 'activity' => '', 'item_code' => 'HEAD', 'text' => '', 'site_code' => 'MAIN', 'qty' => 1_000_000,
                    'due' => '2026-03-20', 'approved' => true,
                ]);

                return ['job' => 'J1', 'lines' => [['line' => '1', 'qty' => '1']], ...$key()];
            }],
            'POST demand/forecasts' => [Roles::FORECAST, fn () => ['code' => 'NEXT', 'purpose' => 'the fair', 'new' => true, ...$key()]],
            'DELETE demand/forecasts' => [Roles::FORECAST, function () use ($key): array {
                test()->actingAs(Demo::user('administrator'))->postJson('/demand/forecasts', ['code' => 'NEXT', 'new' => true, ...$key()])->assertOk();

                return ['forecast' => 'NEXT', ...$key()];
            }],
            'POST proposals/convert' => [
                Roles::BUY,
                fn () => ['run' => Run::live()->id, 'agreed' => true, 'lines' => [['number' => $proposal('buy')]], ...$key()],
            ],
            'POST messages/answer' => [
                $anyone,
                fn () => ['identity' => $message()->identity, 'facts' => $message()->facts, 'state' => 'done', 'reason' => 'known'],
            ],
            'POST messages/apply' => [Roles::BUY, fn () => ['run' => Run::live()->id, 'n' => $message()->n, ...$key()]],
            'POST shortages/unsent' => [Roles::RUN, fn () => ['counts' => false]],
            'POST shortages/accept' => [Roles::STUDY, fn () => [
                'identity' => test()->actingAs(Demo::user('administrator'))->getJson('/shortages/rows?days=60')->assertOk()
                    ->json('rows.0.identity'),
                'reason' => 'known',
            ]],
            'POST draft/lines' => [
                Roles::STUDY,
                fn () => ['changes' => [['change' => 'change_stock', 'item' => 'GLUE', 'site' => 'MAIN', 'qty' => '2']]],
            ],
            'POST draft/keep' => [Roles::STUDY, fn () => ['name' => 'Kept']],
            'POST reservations/hold' => [Roles::HOLD, fn () => [...$hold, 'qty' => '5', ...$key()]],
            'POST reservations/free' => [Roles::HOLD, fn () => [...$held(), ...$key()]],
            'POST reservations/give' => [Roles::HOLD, fn () => [...$held(), 'other' => 'sales:S1/1', 'qty' => '1', ...$key()]],
            'POST reservations/hold-for' => [Roles::HOLD, fn () => ['references' => ['order:M1'], ...$key()]],
            'POST missing' => [null, fn () => ['order' => 'M1', 'line' => '10', 'until' => '2026-03-25', 'note' => '']],
            'POST missing/{id}/draft' => [Roles::STUDY, fn () => ['id' => $missing()]],
            'POST missing/{id}/deal' => [$anyone, fn () => ['id' => $missing()]],
            'POST journal/{commit}/undo' => [Roles::DATA, fn () => ['commit' => $commit(), ...$key()]],
            'POST studies' => [Roles::STUDY, fn () => ['name' => 'New', 'changes' => [], 'parameters' => []]],
            'PUT studies/{study}' => [
                Roles::RUN,
                fn () => ['study' => $study(), 'name' => 'Mine now', 'version' => 1, 'changes' => [], 'parameters' => []],
            ],
            'POST studies/{study}/run' => [Roles::RUN, fn () => ['study' => $study()]],
            'DELETE studies/{study}' => [Roles::RUN, fn () => ['study' => $study()]],
            'POST schedules' => [Roles::MAKE, fn () => [
                'rule' => 'due', 'direction' => 'forward', 'aim' => 'late', 'steps' => 0, 'seconds' => 5, 'frozenDays' => 0,
                'proposalsDays' => 5, 'setupWindow' => 3, 'centres' => ['BENCH'], 'orders' => ['M1'],
            ]],
            'POST schedules/{id}/stop' => [Roles::MAKE, fn () => ['id' => $schedule('running'), 'keeps' => true]],
            'POST schedules/{id}/keep' => [Roles::MAKE, fn () => ['id' => $schedule('done'), ...$key()]],
            'POST schedules/{id}/drop' => [Roles::MAKE, fn () => ['id' => $schedule('done')]],
            'POST promise/hold' => [Roles::PROMISE, fn () => [...$promise, 'until' => '2026-03-05', ...$key()]],
            'POST promise/accept' => [Roles::PROMISE, fn () => [...$promise, ...$key()]],
            'POST promise/drop' => [Roles::PROMISE, function () use ($promise, $key): array {
                test()->actingAs(Demo::user('administrator'));
                test()->postJson('/promise/hold', [...$promise, 'until' => '2026-03-05', ...$key()])->assertOk();

                return ['reference' => 'sales:E-9/1', ...$key()];
            }],
            'POST worklist/report' => [Roles::REPORT, fn () => [
                'order' => 'M1', 'op' => 10, 'done' => '2', 'scrap' => '0', 'reason' => '', 'minutes' => null, 'note' => '', 'finished' => false, ...$key(),
            ]],
            'POST movements/receive' => [Roles::STOCK, fn () => ['lines' => [['order' => 'P1', 'item' => '', 'qty' => '5']], ...$key()]],
            'POST movements/receive-whole' => [Roles::STOCK, fn () => ['orders' => ['P1'], ...$key()]],
            'POST movements/issue' => [Roles::STOCK, fn () => ['order' => 'M1', 'parts' => [['line' => '20', 'qty' => '0.5']], ...$key()]],
            'POST movements/send' => [Roles::STOCK, function () use ($key): array {
                DB::table('sites')->insertOrIgnore(['code' => 'SIDE', 'name' => 'Side']); // it may be asked for again
                DB::table('orders')->insertOrIgnore([
                    'code' => 'T1', 'kind' => 'transfer', 'status' => 'firm', 'site_code' => 'SIDE', 'created_at' => now(), 'updated_at' => now(),
                ]);
                DB::table('order_lines')->insertOrIgnore([
                    'order_id' => DB::table('orders')->where('code', 'T1')->value('id'), 'number' => 1, 'code' => 'T1', 'item_code' => 'ROD',
                    'from_site_code' => 'MAIN', 'qty' => 1_000_000, 'received' => 0, 'due' => '2026-03-20', 'pinned' => false, 'priority' => 5,
                ]);
                Journal::write('import', 'A transfer.', null);

                return ['order' => 'T1', ...$key()];
            }],
            'POST movements/block' => [Roles::STOCK, fn () => ['what' => 'block', 'item' => 'ROD', 'site' => 'MAIN', 'qty' => '1', 'note' => 'bent', ...$key()]],
            'POST movements/ship' => [Roles::STOCK, fn () => ['lines' => [['order' => 'S1', 'line' => '1', 'qty' => '1']], ...$key()]],
            'POST movements/count' => [Roles::STOCK, fn () => [
                'rows' => [['item' => 'ROD', 'site' => 'MAIN', 'qty' => '3', 'books' => '20']], ...$key(),
            ]],
            'POST movements/{id}/reverse' => [Roles::STOCK, function () use ($key): array {
                test()->actingAs(Demo::user('administrator'));
                test()->postJson('/movements/receive', ['lines' => [['order' => 'P1', 'item' => '', 'qty' => '5']], ...$key()])->assertOk();

                return ['id' => (int) DB::table('movements')->max('id'), ...$key()];
            }],
            'POST requests/buy' => [Roles::BUY, fn () => ['lines' => [['line' => $asked()]], ...$key()]],
            'POST requests/give-back' => [Roles::BUY, fn () => ['lines' => [$asked()], 'reason' => 'not needed', ...$key()]],
            'POST purchases/apart' => [Roles::BUY, fn () => ['order' => $bought('P8', []), ...$key()]],
            'POST purchases/send' => [Roles::BUY, fn () => ['order' => $bought('P8', []), 'mail' => true, 'version' => 1, ...$key()]],
            'POST purchases/confirm' => [Roles::BUY, fn () => ['lines' => [['line' => $sent(), 'qty' => '4', 'due' => '2026-03-24']], ...$key()]],
            'POST purchases/accept' => [Roles::BUY, fn () => ['lines' => [$sent()], ...$key()]],
            'POST purchases/confirmation' => [Roles::BUY, fn () => ['file' => "order,line,qty,date\n{$sent()},1,3,2026-03-25\n", ...$key()]],
            'POST chase' => [Roles::BUY, fn () => ['lines' => [$sent()], ...$key()]],
            'POST letters/{id}/send' => [Roles::BUY, fn () => ['id' => (int) DB::table('letters')->insertGetId([
                'kind' => 'chase', 'recipient' => 'sup@sup.example', 'subject' => 'Open orders', 'body' => 'Please tell us.', 'files' => '[]',
                'state' => 'waiting', 'user_id' => User::query()->value('id'), 'created_at' => now(),
            ])]],
            'POST runs' => [Roles::RUN, fn () => []],
            'POST runs/refresh' => [Roles::RUN, fn () => []],
            'POST runs/kept' => [Roles::RUN, fn () => ['name' => 'Night', 'version' => 0, 'bucket' => 'day', ...$key()]],
            'DELETE runs/kept' => [Roles::RUN, function () use ($key): array {
                test()->actingAs(Demo::user('administrator'));
                test()->postJson('/runs/kept', ['name' => 'Night', 'version' => 0, ...$key()])->assertOk();

                return ['name' => 'Night', 'version' => 1];
            }],
        ];
    }
}
