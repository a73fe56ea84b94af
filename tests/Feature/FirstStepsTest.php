<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Run;
use App\Planning\Ledger;
use App\Planning\NetworkWriter;
use App\Support\Settings;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Yposta\Core\Network\Network;

/** A small company as files: made, bought and moved things, with stock, orders and a forecast. */
function firstFiles(): array
{
    return [
        'calendars.csv' => "calendar,weekdays\nWORK,12345\n",
        'calendar_days.csv' => "calendar,date,works\nWORK,2026-04-06,0\n",
        'sites.csv' => "site,name,calendar\nMAIN,Main plant,WORK\nDEPOT,Depot,WORK\n",
        'items.csv' => "item,name,unit,decimals,unit_cost\nBUOY,Buoy,pcs,0,80\nHULL,Hull,pcs,0,25.5\nPAINT,Paint,kg,2,4.2\n",
        'bom.csv' => "item,line,component,qty,scrap_pct\nBUOY,10,HULL,1,\nBUOY,20,PAINT,0.25,5\n",
        'suppliers.csv' => "supplier,name,currency\nTARN,Tarn Coatings,EUR\nSLIP,Slipway,EUR\n",
        'supplier_items.csv' => "supplier,item,lead_days,price,min_qty\nTARN,PAINT,5,4.1,2\nSLIP,HULL,12,24,10\n",
        'planning.csv' => "item,site,supply,lead_days,supplier,from_site,safety_stock,lot_rule,group_days\n"
            ."BUOY,MAIN,make,3,,,2,lot_for_lot,5\nBUOY,DEPOT,transfer,2,,MAIN,,,\nHULL,MAIN,buy,12,SLIP,,,,\nPAINT,MAIN,buy,5,TARN,,1.5,,\n",
        'stock.csv' => "item,site,qty\nBUOY,MAIN,3\nPAINT,MAIN,2.75\nHULL,MAIN,0\n",
        'sales.csv' => "order,line,item,site,qty,due,customer,priority\nS1,1,BUOY,MAIN,6,2026-03-27,Ferry Co,2\nS2,1,BUOY,DEPOT,4,2026-04-10,Pier 9,5\n",
        'forecasts.csv' => "forecast,item,site,bucket,start,qty\nBASE,BUOY,MAIN,week,2026-03-23,10\nBASE,BUOY,DEPOT,week,2026-04-13,5\n",
    ];
}

/** What a plan proposes, as it is seen. */
function proposedNow(): array
{
    return DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', 's.run_id')->on('p.n', 's.point'))
        ->where('s.run_id', Run::live()->id)->where('s.kind', 'proposal')->orderBy('s.n')
        ->get(['s.name', 'p.item_code', 'p.site_code', 's.type', 's.qty', 's.due', 's.start', 's.supplier_code', 's.from_site_code'])
        ->map(fn ($row) => (array) $row)->all();
}

beforeEach(function () {
    (new DemoSeeder)->run();
    $this->actingAs(Demo::user('planner'));
});

it('leads from nothing, table by table, to the plan that the same data give as a bundle', function () {
    Settings::set(Settings::PINNED_PLAN_DATE, '2026-03-02');
    $steps = fn () => collect($this->get('/')->assertOk()->inertiaProps()['steps']);
    expect($steps())->toHaveCount(8)->and($steps()->where('isDone', true))->toHaveCount(0);
    foreach (firstFiles() as $name => $text) {
        $kind = basename($name, '.csv');
        $seen = $this->postJson('/data/look', ['kind' => $kind, 'text' => $text])->assertOk()->json();
        expect([$kind, $seen['wrong'], $seen['missing']])->toBe([$kind, 0, []]);
        $this->postJson('/data/bring', ['kind' => $kind, 'text' => $text, 'new' => $seen['new'], 'changed' => 0, 'key' => freshKey()])->assertOk();
    }
    expect($steps()->where('isDone', false))->toHaveCount(0)->and(Ledger::differences()->count())->toBe(0);
    $run = $this->postJson('/runs', ['forecasts' => ['BASE'], 'horizonEnd' => '2026-06-30'])->assertOk()->json('id');
    expect(Run::live()->id)->toBe($run);
    $brought = proposedNow();

    Demo::of(folderWith(['plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\nforecasts,BASE\n", ...firstFiles()]));
    app(StartRun::class)([], null);
    expect($brought)->toBe(proposedNow())->and(count($brought))->toBeGreaterThan(5);
});

it('can begin with nothing at all by hand', function () {
    $draft = fn (string $kind, array $row) => $this->postJson('/draft/lines', ['changes' => [['change' => 'put_rows', 'kind' => $kind, 'rows' => [$row]]]])->assertOk();
    $draft('sites', ['code' => 'HERE']);
    $draft('items', ['code' => 'CUP']);
    $draft('planning', ['item' => 'CUP', 'site' => 'HERE', 'supply' => 'buy', 'leadDays' => 2]);
    $version = $draft('sales', ['order' => 'S1', 'line' => '1', 'item' => 'CUP', 'site' => 'HERE', 'qty' => '3', 'due' => now()->addDays(30)->toDateString()])
        ->json('state.version');
    $this->postJson('/draft/commit', ['version' => $version, 'key' => freshKey()])->assertOk();
    $this->postJson('/runs', [])->assertOk();
    expect(array_column(proposedNow(), 'qty'))->toBe([3_000_000]);
});

it('brings the demo company in, and takes it away again with all that was done, but nobody else\'s data', function () {
    $this->postJson('/company/demo', [])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->actingAs(Demo::user('administrator'));
    expect($this->get('/')->inertiaProps()['mayLoadDemo'])->toBeTrue();
    $this->deleteJson('/company/demo')->assertStatus(422)->assertJsonPath('reason', 'data');
    $this->postJson('/company/demo', [])->assertOk();
    $this->postJson('/company/demo', [])->assertStatus(422)->assertJsonPath('reason', 'data');
    $this->postJson('/runs', [])->assertOk();
    $this->postJson('/draft/lines', ['changes' => [['change' => 'put_rows', 'kind' => 'items', 'rows' => [['code' => 'MINE']]]]])->assertOk();
    expect(DB::table('items')->count())->toBeGreaterThan(100)->and($this->get('/company')->inertiaProps()['isDemo'])->toBeTrue();

    $this->actingAs(Demo::user('planner'));
    $this->deleteJson('/company/demo')->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->actingAs(Demo::user('administrator'));
    $this->deleteJson('/company/demo')->assertOk();
    foreach (['items', 'sites', 'calendars', 'orders', 'stock', 'movements', 'runs', 'drafts', 'commits', 'sales_lines', 'plan_supplies'] as $table) {
        expect([$table, DB::table($table)->count()])->toBe([$table, 0]);
    }
    expect(DB::table('users')->count())->toBeGreaterThan(5)->and($this->get('/')->inertiaProps()['mayLoadDemo'])->toBeTrue();

    app(NetworkWriter::class)->replace(Network::of());
    Demo::of(folderWith(['plan.csv' => "key,value\nplan_date,2026-03-02\n", ...firstFiles()]));
    $this->deleteJson('/company/demo')->assertStatus(422)->assertJsonPath('reason', 'data');
    expect(DB::table('items')->count())->toBe(3);
});
