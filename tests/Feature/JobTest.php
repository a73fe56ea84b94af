<?php

declare(strict_types=1);

use App\Actions\ExportBundle;
use App\Actions\StartRun;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

/** A small company with a job that wants something from stock, something bought and something that nobody has named yet. */
beforeEach(function () {
    $this->folder = folderWith([
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n",
        'sites.csv' => "site\nMAIN\n", 'suppliers.csv' => "supplier\nSUP\n",
        'items.csv' => "item,name,unit,unit_cost\nMAST,Mast,pcs,400\nROPE,Rope,m,2.5\nLAMP,Lamp,pcs,30\n",
        'planning.csv' => "item,site,supply,supplier,lead_days\nMAST,MAIN,buy,SUP,10\nROPE,MAIN,buy,SUP,5\nLAMP,MAIN,buy,SUP,5\n",
        'supplier_items.csv' => "supplier,item,lead_days,price\nSUP,MAST,10,380\n",
        'stock.csv' => "item,site,qty\nROPE,MAIN,30\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,released,MAST,MAIN,SUP,1,2026-03-12\n",
        'jobs.csv' => "job,name,customer,priority,begins,ends\nJ-1,Harbour mast,Port of Sel,3,2026-03-16,2026-04-10\nJ-2,Later,,,,\n",
        'job_activities.csv' => "job,activity,name,begins,ends\nJ-1,UP,Raise the mast,2026-03-16,2026-03-20\nJ-1,LIGHT,Light it,2026-03-30,2026-04-03\n",
        'job_lines.csv' => "job,line,activity,item,text,site,qty,due,approved,est_cost\n"
            ."J-1,10,UP,MAST,,MAIN,2,2026-03-16,1,\nJ-1,20,UP,ROPE,,MAIN,40,2026-03-16,0,\nJ-1,30,LIGHT,,A lens of some kind,MAIN,1,2026-03-30,0,150\n",
    ]);
    Demo::of($this->folder);
    $this->actingAs(Demo::user('planner'));
    $this->detail = fn () => json_decode((string) json_encode($this->get('/jobs?job=J-1')->assertOk()->viewData('page')['props']['detail']), true);
    $this->line = fn (string $line) => collect(($this->detail)()['activities'])->flatMap(fn ($one) => $one['lines'])->firstWhere('line', $line);
    $this->approve = fn (array $given) => $this->postJson('/jobs/approve', ['job' => 'J-1', 'approve' => true, 'key' => freshKey(), ...$given]);
});

it('shows a job by what is done in it, where each line comes from, and what it costs', function () {
    $detail = ($this->detail)();
    expect(array_column($detail['activities'], 'name'))->toBe(['Raise the mast', 'Light it'])
        ->and($detail['job'])->toMatchArray([
            'customer' => 'Port of Sel', 'lines' => 3, 'toApprove' => 1, 'placeholders' => 1,
            'estimated' => '1050.00', 'committed' => '400.00', 'actual' => '0.00', // two masts, forty of rope, the lens
        ]);
    $mast = ($this->line)('10');
    expect($mast)->toMatchArray(['isPlanned' => true, 'ordered' => '1', 'proposed' => '1', 'stock' => '0', 'lateDays' => 0, 'expected' => '2026-03-16'])
        ->and(array_column(array_column($mast['from'], 'what'), 'label'))->toContain('P1')
        ->and(($this->line)('20'))->toMatchArray(['isPlanned' => false, 'strip' => null, 'estimated' => '100.00'])
        ->and(($this->line)('30'))->toMatchArray(['item' => null, 'name' => 'A lens of some kind', 'estimated' => '150.00']);
    $list = json_decode((string) json_encode($this->get('/jobs')->viewData('page')['props']), true);
    expect(array_column($list['jobs'], 'code'))->toBe(['J-1', 'J-2'])->and($list['total'])->toBe(2);
    expect($this->getJson('/jobs/rows?q=Later')->assertOk()->json('rows.0.code'))->toBe('J-2');
    $this->get('/jobs?job=GHOST')->assertNotFound();
    $hits = $this->getJson('/search?q=mast')->assertOk()->json();
    expect(array_column($hits['hits'] ?? $hits, 'label'))->toContain('J-1');
});

it('plans what is approved, alone or all at once, and nothing else', function () {
    ($this->approve)(['lines' => ['30']])->assertStatus(422)->assertJsonPath('reason', 'placeholder');
    ($this->approve)(['lines' => ['20', '99']])->assertStatus(422)->assertJsonPath('reason', 'none');
    $answer = ($this->approve)(['lines' => null])->assertOk()->assertJsonPath('message', 'Job J-1, approved: 20')->json();
    ($this->approve)(['lines' => null])->assertStatus(422)->assertJsonPath('reason', 'none');
    app(StartRun::class)([], null);
    expect(($this->line)('20'))->toMatchArray(['approved' => true, 'isPlanned' => true, 'stock' => '30', 'proposed' => '10']);

    $this->postJson("/journal/{$answer['commit']}/undo", ['key' => freshKey()])->assertOk();
    app(StartRun::class)([], null);
    expect(($this->line)('20'))->toMatchArray(['approved' => false, 'isPlanned' => false]);
    ($this->approve)(['lines' => ['10'], 'approve' => false])->assertOk();
    expect(DB::table('job_lines')->where('approved', true)->count())->toBe(0);
});

it('lets only those approve who may, in whatever way', function () {
    $this->actingAs(Demo::user('buyer'));
    ($this->approve)(['lines' => ['20']])->assertForbidden();
    // a draft that approves, or takes more of what is approved, is not written either
    $lock = fn (array $change) => ['change' => 'put_rows', 'kind' => 'job_lines', 'rows' => [[...($this->line)($change['line'])['row']['values'], ...$change]]];
    foreach ([['line' => '20', 'approved' => true], ['line' => '10', 'qty' => '3']] as $change) {
        $this->postJson('/draft/lines', ['changes' => [$lock($change)]])->assertOk();
        $version = DB::table('drafts')->where('user_id', Demo::user('buyer')->id)->value('version');
        $this->postJson('/draft/commit', ['version' => $version, 'key' => freshKey()])->assertStatus(422);
        $this->deleteJson('/draft')->assertOk();
    }
    expect(DB::table('job_lines')->where('approved', true)->pluck('qty')->map(intval(...))->all())->toBe([2_000_000]);
});

it('issues from stock to a job and takes it back, in the ledger', function () {
    ($this->approve)(['lines' => ['20']])->assertOk();
    $this->actingAs(Demo::user('stores'));
    $supply = fn (string $line, string $qty) => $this->postJson('/jobs/supply', ['job' => 'J-1', 'lines' => [['line' => $line, 'qty' => $qty]], 'key' => freshKey()]);
    $supply('20', '12')->assertOk()->assertJsonPath('message', '12 m of ROPE issued to job line J-1/20');
    $supply('20', '29')->assertStatus(422);
    $supply('10', '1')->assertStatus(422); // none in stock
    $supply('20', '-2')->assertOk();
    expect(($this->line)('20'))->toMatchArray(['issued' => '10', 'open' => '30', 'actual' => '25.00'])
        ->and((int) DB::table('stock')->where('item_code', 'ROPE')->value('qty'))->toBe(20_000_000)
        ->and(DB::table('movements')->where('document', 'job:J-1/20')->orderBy('id')->pluck('qty')->map(intval(...))->all())->toBe([-12_000_000, 2_000_000]);
    $first = DB::table('movements')->where('document', 'job:J-1/20')->min('id');
    $this->postJson("/movements/{$first}/reverse", ['reason' => 'wrong job', 'key' => freshKey()])->assertStatus(422); // two of the twelve are back already
    $supply('20', '2')->assertOk();
    $this->postJson("/movements/{$first}/reverse", ['reason' => 'wrong job', 'key' => freshKey()])->assertOk();
    expect(($this->line)('20')['issued'])->toBe('0')->and((int) DB::table('stock')->where('item_code', 'ROPE')->value('qty'))->toBe(30_000_000);
    $this->get('/movements')->assertOk();
    $this->actingAs(Demo::user('sales'));
    $supply('20', '1')->assertStatus(422)->assertJsonPath('reason', 'forbidden');
});

it('gives what is received straight to the job', function () {
    $this->actingAs(Demo::user('stores'));
    $this->postJson('/movements/receive', ['lines' => [['order' => 'P1', 'item' => '', 'qty' => '1', 'to' => 'job:J-1/10']], 'key' => freshKey()])->assertOk();

    expect(($this->line)('10'))->toMatchArray(['issued' => '1', 'open' => '1', 'actual' => '400.00'])
        ->and((int) DB::table('stock')->where('item_code', 'MAST')->value('qty'))->toBe(0);
});

it('is held for, found by what it is pegged to, and taken along in a bundle', function () {
    ($this->approve)(['lines' => null])->assertOk();
    app(StartRun::class)([], null);
    $this->postJson('/reservations/hold', ['demand' => 'job:J-1/20', 'supply' => 'stock:ROPE@MAIN', 'qty' => '8', 'key' => freshKey()]);
    expect($this->get('/thread?of=job:J-1/10')->assertOk()->status())->toBe(200);
    $this->get('/shortages')->assertOk();
    $this->get('/reservations')->assertOk();
    $this->get('/')->assertOk();
    $this->get('/item?item=ROPE&at=MAIN')->assertOk();
    $taken = folderWith([]);
    app(ExportBundle::class)($taken);
    $read = fn (string $file) => (string) file_get_contents("{$taken}/{$file}");
    expect($read('jobs.csv'))->toContain('J-1,"Harbour mast","Port of Sel",3,2026-03-16,2026-04-10')
        ->and($read('job_activities.csv'))->toContain('J-1,UP,"Raise the mast",2026-03-16,2026-03-20')
        ->and($read('job_lines.csv'))->toContain('J-1,20,UP,ROPE,,MAIN,40,0,2026-03-16,1,')->toContain('A lens of some kind');
    $before = DB::table('job_lines')->orderBy('line')->get(['line', 'item_code', 'qty', 'approved', 'est_cost'])->toJson();
    Demo::of($taken);
    expect(DB::table('job_lines')->orderBy('line')->get(['line', 'item_code', 'qty', 'approved', 'est_cost'])->toJson())->toBe($before);
});

it('replaces a placeholder by an item, in a draft that says what it does', function () {
    $row = ($this->line)('30')['row']['values'];
    $this->postJson('/draft/lines', ['changes' => [['change' => 'put_rows', 'kind' => 'job_lines', 'rows' => [[...$row, 'item' => 'LAMP', 'approved' => true]]]]])->assertOk();
    $version = DB::table('drafts')->value('version');
    $this->postJson('/draft/commit', ['version' => $version, 'key' => freshKey()])->assertOk();
    app(StartRun::class)([], null);
    expect(($this->line)('30'))->toMatchArray(['item' => 'LAMP', 'isPlanned' => true, 'proposed' => '1', 'name' => 'A lens of some kind', 'estimated' => '150.00']);
    $history = $this->getJson('/history?of='.rawurlencode('job:J-1/30'))->assertOk()->json();
    expect($history[0]['sentence'])->toContain('LAMP');
});
