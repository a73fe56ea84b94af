<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Console\Commands\ServeCommand;
use App\Models\Run;
use App\Outside\StandInPlanner;
use App\Outside\WorldDay;
use App\Reading\Examination;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Demo;

/** What has to be so on every day, worked out from the tables alone. */
function troubleOfTheDay(): array
{
    $rows = fn (string $query) => array_map(fn (stdClass $row) => json_encode($row), DB::select($query));

    return [
        'no stock without a movement' => $rows('select s.item_code, s.site_code from stock s where s.qty <> (select coalesce(sum(m.qty), 0) from movements m where m.item_code = s.item_code and m.site_code = s.site_code)'),
        'nothing below zero' => $rows('select item_code, site_code from stock where qty < 0'),
        'nothing ordered twice' => $rows('select run_id, proposal from conversions group by run_id, proposal having count(*) > 1'),
        'an order of every conversion' => $rows('select c.id from conversions c left join order_lines l on l.id = c.order_line_id where l.id is null'),
        'nothing more than a tenth over' => $rows('select code from order_lines where received > qty + qty / 10'),
        'nothing more than was ordered' => $rows('select order_code, line from sales_lines where shipped > qty'),
        'no receipt that is lost' => $rows("select l.code from order_lines l join orders o on o.id = l.order_id where o.created_by is not null and l.received <> (select coalesce(sum(m.qty), 0) from movements m where m.kind = 'receipt' and m.order_code = l.code)"),
        'no message about what is not there' => $rows("select pm.reference from plan_messages pm where pm.run_id = (select max(id) from runs where status = 'done') and pm.reference like 'order:%' and not exists (select 1 from order_lines l where 'order:' || l.code = pm.reference)"),
    ];
}

/** @return list<string> what a plan says */
function saidBy(Run $run): array
{
    return DB::table('plan_messages')->where('run_id', $run->id)->orderBy('n')->get(['code', 'reference', 'from_date', 'to_date', 'qty'])
        ->map(fn (stdClass $row) => (string) json_encode($row))->all();
}

beforeEach(function () {
    config(['queue.default' => 'sync']);
    Demo::planned();
});

it('lives through some days with nothing lost and nothing twice, and every message has its cause', function () {
    [$world, $planner] = [app(WorldDay::class), app(StandInPlanner::class)];
    for ($day = 1; $day <= 5; $day++) {
        $world(7);
        $planner->day();
        expect(array_filter(troubleOfTheDay()))->toBe([]);
    }
    expect(iterator_to_array(app(Examination::class)->all(), false))->toBe([]);
    // what nobody has caused is not said: nothing was changed, so the plan says the same again
    [$once, $again] = [app(StartRun::class)([], null), app(StartRun::class)([], null)];
    expect(saidBy($again))->toBe(saidBy($once));
});

it('lives through sixty days in a process of its own, and is examined after each', function () {
    $file = tempnam(sys_get_temp_dir(), 'days');
    $run = fn (string ...$command) => Process::env(['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $file])->timeout(400)
        ->run([PHP_BINARY, ...ServeCommand::COMPILED, 'artisan', ...$command]);
    foreach ([
        ['migrate', '--force'], ['db:seed', '--class=DemoSeeder', '--force'], ['yposta:import', 'database/demo', '--pin'], ['yposta:run'],
    ] as $command) {
        expect($run(...$command)->exitCode())->toBe(0);
    }
    $lived = $run('yposta:day', '--days=60', '--seed=7', '--plan', '--check', '--quiet-days');
    expect($lived->errorOutput())->toBe('')->and($lived->exitCode())->toBe(0);
    $lines = array_values(array_filter(explode("\n", $lived->output())));
    expect($lines)->toHaveCount(60)->each->toMatch('/^2026-\d\d-\d\d  service (?:-|[\d.]+ %) \(\d+ of \d+ lines\)  stock [\d,]+  to hurry \d+  ordered \d+$/');
    preg_match('/service ([\d.]+) %/', $lines[59], $service);
    expect((float) ($service[1] ?? 0))->toBeGreaterThan(50.0); // what is planned in time is mostly in time
    expect($run('yposta:run')->exitCode())->toBe(0)->and($run('yposta:check')->output())->toBe("All agrees.\n");
    config(['database.connections.days' => ['driver' => 'sqlite', 'database' => $file, 'prefix' => '']]);
    DB::usingConnection('days', function () {
        expect(array_filter(troubleOfTheDay()))->toBe([])->and(DB::table('movements')->where('kind', 'shipment')->count())->toBeGreaterThan(50)
            ->and(DB::table('orders')->where('status', 'done')->count())->toBeGreaterThan(300);
    });
    DB::purge('days');
    array_map(unlink(...), glob("{$file}*") ?: []);
})->skip(fn () => DB::getDriverName() !== 'sqlite', 'what is written is the same on either');

it('gives the same days for the same start and seed, and others for another', function () {
    $lived = function (int $seed): array {
        Demo::planned();
        $said = [];
        for ($day = 0; $day < 2; $day++) {
            $passed = app(WorldDay::class)($seed);
            array_push($said, $passed['day'], ...$passed['said']);
            app(StandInPlanner::class)->day();
        }

        return [$said, DB::table('stock')->orderBy('id')->pluck('qty')->all(), DB::table('order_lines')->orderBy('id')->get(['code', 'qty', 'received', 'due'])->toArray()];
    };
    expect($lived(3))->toEqual($once = $lived(3))->and($lived(4))->not->toEqual($once);
});

it('is for the administrator of a demo, once for each press, and never where the date is not pinned', function () {
    $this->actingAs(Demo::user('administrator'));
    $key = bin2hex(random_bytes(10));
    config(['yposta.demo' => false]);
    $this->postJson('/demo/day', ['key' => $key])->assertNotFound();
    config(['yposta.demo' => true]);
    $this->actingAs(Demo::user('planner'))->postJson('/demo/day', ['key' => $key])->assertForbidden();
    $this->actingAs(Demo::user('administrator'));
    $day = $this->postJson('/demo/day', ['key' => $key])->assertOk()->json('day');
    $this->postJson('/demo/day', ['key' => $key])->assertOk()->assertJsonPath('day', $day);
    expect(Settings::planDate())->toBe($day)->and($day)->toBe('2026-03-03');
    DB::table('settings')->where('key', Settings::PINNED_PLAN_DATE)->delete();
    $this->postJson('/demo/day', ['key' => bin2hex(random_bytes(10))])->assertStatus(422)->assertJsonPath('reason', 'demo');
});
