<?php

declare(strict_types=1);

use App\Documents\DeliveryNote;
use App\Models\Draft;
use App\Planning\Ledger;
use App\Reading\Punctuality;
use App\Support\Journal;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'stock.csv' => "item,site,qty\nROD,MAIN,40\nGLUE,MAIN,5\nHEAD,MAIN,6\n",
        'sales.csv' => "order,line,item,site,qty,due,priority,customer\nS1,1,HEAD,MAIN,10,2026-03-24,2,Pier 9 Supply\nS2,1,HEAD,MAIN,4,2026-03-25,2,Voss Aqua\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,released,ROD,MAIN,SUP,50,2026-03-05\n"
            ."M1,make,released,HEAD,MAIN,,8,2026-03-10\n",
    ])));
    $this->actingAs(Demo::user('stores'));
    $this->key = fn () => bin2hex(random_bytes(10));
    $this->receive = fn (array $line, array $more = []) => $this->postJson('/movements/receive', [
        'lines' => [['order' => 'P1', 'item' => '', 'qty' => '20', ...$line]], 'key' => ($this->key)(), ...$more,
    ]);
    $this->stock = fn (string $item) => (int) DB::table('stock')->where('item_code', $item)->value('qty') / 1_000_000;
    $this->ledger = fn () => DB::table('movements')->orderBy('id')->get()
        ->map(fn ($row) => "{$row->kind} {$row->item_code} ".($row->qty / 1_000_000)." {$row->document}")->all();
});

afterEach(fn () => expect(Ledger::differences()->get()->all())->toBe([])); // stock is the sum of the ledger, whatever was tried

it('begins with what was imported, and receives in parts until the order is done', function () {
    expect(($this->ledger)())->toBe(['import GLUE 5 ', 'import HEAD 6 ', 'import ROD 40 ']);
    ($this->receive)([])->assertOk()->assertJsonPath('message', '20 pc of ROD received with P1');
    ($this->receive)(['qty' => '30', 'item' => 'ROD'])->assertOk();
    expect(($this->stock)('ROD'))->toBe(90)->and(array_slice(($this->ledger)(), 3))->toBe(['receipt ROD 20 order:P1', 'receipt ROD 30 order:P1'])
        ->and(DB::table('orders')->where('code', 'P1')->value('status'))->toBe('done');
    ($this->receive)(['qty' => '1'])->assertStatus(422)->assertJsonPath('reason', 'over');
    $row = DB::table('movements')->orderByDesc('id')->first();
    expect($row->day)->toStartWith('2026-03-02')->and((int) $row->user_id)->toBe(Demo::user('stores')->id);
});

it('refuses the wrong item, far too much, a day to come and what is none, and writes nothing', function (array $line, array $more, string $reason) {
    $before = ($this->ledger)();
    ($this->receive)($line, $more)->assertStatus(422)->assertJson($reason === '' ? [] : ['reason' => $reason]);
    expect(($this->ledger)())->toBe($before)->and(($this->stock)('ROD'))->toBe(40);
})->with([
    [['item' => 'GLUE'], [], 'item'], [['qty' => '56'], [], 'quantity'], [['order' => 'NONE'], [], 'over'],
    [[], ['day' => '2026-03-03'], 'day'], [['qty' => '-1'], [], ''], [['qty' => '0'], [], 'fit'], [['qty' => '1.5'], [], 'fit'],
    [['qty' => '1e12'], [], ''], [[], ['day' => 'tomorrow'], ''], [[], ['key' => 'short'], ''],
]);

it('takes a little more than was ordered, and hears that no more comes', function () {
    ($this->receive)(['qty' => '55'])->assertOk();
    expect(($this->stock)('ROD'))->toBe(95)->and((int) DB::table('order_lines')->where('code', 'P1')->value('qty'))->toBe(55_000_000);
    ($this->receive)(['order' => 'M1', 'qty' => '3', 'last' => true])->assertOk()
        ->assertJsonPath('message', '3 pc of HEAD received with M1, and no more comes');
    expect(DB::table('orders')->where('code', 'M1')->value('status'))->toBe('done')->and(($this->stock)('HEAD'))->toBe(9);
});

it('books once what is sent twice', function () {
    $key = ($this->key)();
    $first = ($this->receive)([], ['key' => $key])->assertOk()->json();
    expect(($this->receive)([], ['key' => $key])->assertOk()->json())->toBe($first)->and(($this->stock)('ROD'))->toBe(60)
        ->and(DB::table('movements')->where('kind', 'receipt')->count())->toBe(1);
});

it('issues components, more only with a reason, takes them back, and uses what was made of them', function () {
    $issue = fn (array $parts, array $more = []) => $this->postJson('/movements/issue', ['order' => 'M1', 'parts' => $parts, 'key' => ($this->key)(), ...$more]);
    $lines = DB::table('order_components')->pluck('line')->all();
    expect($lines)->toBe([]); // it has left them to the structure
    $issue([['line' => '10', 'qty' => '12']])->assertOk()->assertJsonPath('message', '12 pc of ROD issued to M1');
    expect(DB::table('order_components')->orderBy('line')->pluck('issued', 'line')->map(intval(...))->all())->toBe(['10' => 12_000_000, '20' => 0]);
    $issue([['line' => '10', 'qty' => '14']])->assertStatus(422)->assertJsonPath('reason', 'fit');
    $issue([['line' => '10', 'qty' => '14']], ['more' => true])->assertStatus(422)->assertJsonPath('reason', 'reason');
    $issue([['line' => '10', 'qty' => '14']], ['more' => true, 'note' => 'two were bent'])->assertOk();
    $issue([['line' => '10', 'qty' => '-2']])->assertOk()->assertJsonPath('message', '2 pc of ROD back from M1');
    expect(($this->stock)('ROD'))->toBe(16)->and(DB::table('movements')->where('qty', -14_000_000)->value('reason'))->toBe('two were bent');
    // what is made has used its parts, as far as nobody has issued them
    ($this->receive)(['order' => 'M1', 'qty' => '8', 'parts' => true])->assertOk();
    expect(($this->stock)('ROD'))->toBe(14)->and(($this->stock)('GLUE'))->toEqualWithDelta(5 - 2.084, 0.0001)->and(($this->stock)('HEAD'))->toBe(14);
});

it('ships in parts from what is there and not held for another', function () {
    $ship = fn (string $order, string $qty) => $this->postJson('/movements/ship', [
        'lines' => [['order' => $order, 'line' => '1', 'qty' => $qty]], 'key' => ($this->key)(),
    ]);
    $this->actingAs(Demo::user('planner'))->postJson('/reservations/hold', ['demand' => 'sales:S2/1', 'supply' => 'stock:HEAD@MAIN', 'qty' => '4', 'key' => ($this->key)()])->assertOk();
    $this->actingAs(Demo::user('stores'));
    expect($ship('S1', '3')->assertStatus(422)->json('message'))->toContain('only 2 pc is free')->toContain('held for S2/1');
    $ship('S1', '2')->assertOk()->assertJsonPath('message', '2 pc of HEAD shipped on S1/1 to Pier 9 Supply');
    $ship('S2', '4')->assertOk();
    $ship('S2', '1')->assertStatus(422);
    expect(($this->stock)('HEAD'))->toBe(0)->and(DB::table('allocations')->count())->toBe(0)
        ->and((int) DB::table('sales_lines')->where('order_code', 'S1')->value('shipped'))->toBe(2_000_000);
});

it('books the difference that a count has found, unless something moved since the person looked', function () {
    $count = fn (string $qty, string $books) => $this->postJson('/movements/count', [
        'rows' => [['item' => 'ROD', 'site' => 'MAIN', 'qty' => $qty, 'books' => $books]], 'note' => 'spring count', 'key' => ($this->key)(),
    ]);
    $count('40', '40')->assertStatus(422)->assertJsonPath('reason', 'none');
    $count('38', '40')->assertOk()->assertJsonPath('message', 'ROD at MAIN counted: 40 pc to 38 pc');
    $count('37', '40')->assertStatus(422)->assertJsonPath('reason', 'stale');
    expect(array_slice(($this->ledger)(), -1))->toBe(['count ROD -2 ']);
    DB::table('allocations')->insert(['demand' => 'part:M1/10', 'supply' => 'stock:ROD@MAIN', 'qty' => 20_000_000]);
    Journal::write('hold', 'Held.', null);
    expect($count('12', '38')->assertOk()->json('message'))->toContain('less is held for M1/10 than before')
        ->and((int) DB::table('allocations')->value('qty'))->toBe(12_000_000);
});

it('takes in what nobody may use yet, frees it or scraps it, and takes each back', function () {
    ($this->receive)(['blocked' => true])->assertOk()->assertJsonPath('message', '20 pc of ROD received with P1, blocked');
    $block = fn (string $what, string $qty, string $note = 'bent') => $this->postJson('/movements/block', [
        'what' => $what, 'item' => 'ROD', 'site' => 'MAIN', 'qty' => $qty, 'note' => $note, 'key' => ($this->key)(),
    ]);
    $blocked = fn () => (int) DB::table('stock')->where('item_code', 'ROD')->value('blocked') / 1_000_000;
    expect(($this->stock)('ROD'))->toBe(40)->and($blocked())->toBe(20)
        ->and((int) DB::table('order_lines')->where('code', 'P1')->value('received'))->toBe(20_000_000);
    $block('block', '5', '')->assertStatus(422)->assertJsonPath('reason', 'reason');
    $block('release', '25')->assertStatus(422)->assertJsonPath('reason', 'fit');
    $block('melt', '1')->assertStatus(422);
    $block('release', '12')->assertOk()->assertJsonPath('message', '12 pc of ROD at MAIN may be used again');
    $block('scrap', '3')->assertOk();
    $block('block', '1')->assertOk();
    expect(($this->stock)('ROD'))->toBe(51)->and($blocked())->toBe(6);
    $reverse = fn (int $id) => $this->postJson("/movements/{$id}/reverse", ['key' => ($this->key)()]);
    $scrapped = (int) DB::table('movements')->where('kind', 'scrap')->value('id');
    $freed = DB::table('movements')->where('kind', 'block')->where('qty', 12_000_000)->value('id');
    $reverse((int) $freed)->assertOk(); // either of the two takes both back
    $reverse((int) $freed + 1)->assertStatus(422)->assertJsonPath('reason', 'reversed');
    $reverse($scrapped)->assertOk();
    $reverse((int) DB::table('movements')->where('kind', 'receipt')->value('id'))->assertOk();
    expect(($this->stock)('ROD'))->toBe(39)->and($blocked())->toBe(1)
        ->and((int) DB::table('order_lines')->where('code', 'P1')->value('received'))->toBe(0);
    $this->get('/movements')->assertInertia(fn ($page) => $page->where('blocked.0.item', 'ROD')->where('blocked.0.why', 'bent'));
    $this->get('/')->assertInertia(fn ($page) => $page->where(
        'lines', fn ($lines) => collect($lines)->contains('emphasis', 'is blocked or owed'),
    ));
});

it('goes straight to the order that waits for it', function () {
    ($this->receive)(['to' => 'part:M1/20'])->assertStatus(422)->assertJsonPath('reason', 'to');
    ($this->receive)(['to' => 'part:M1/10'])->assertOk()->assertJsonPath('message', '20 pc of ROD received with P1, 20 pc of it straight to M1/10');
    expect(($this->stock)('ROD'))->toBe(40)->and(array_slice(($this->ledger)(), -2))->toBe(['receipt ROD 20 order:P1', 'issue ROD -20 part:M1/10']);
    ($this->receive)(['order' => 'M1', 'qty' => '3', 'to' => 'sales:S2/1'])->assertOk();
    expect(DB::table('allocations')->get(['demand', 'supply', 'qty'])->map(fn ($row) => [$row->demand, $row->supply, (int) $row->qty])->all())
        ->toBe([['sales:S2/1', 'stock:HEAD@MAIN', 3_000_000]]);
});

it('refuses more than the books have, or asks and marks it where a setting allows it', function () {
    $ship = fn (array $more = []) => $this->postJson('/movements/ship', [
        'lines' => [['order' => 'S1', 'line' => '1', 'qty' => '10']], 'key' => ($this->key)(), ...$more,
    ]);
    $ship()->assertStatus(422)->assertJsonPath('reason', 'fit');
    $ship(['sure' => true])->assertStatus(422)->assertJsonPath('reason', 'fit');
    Settings::set(Settings::BELOW_ZERO, true);
    expect($ship()->assertStatus(422)->assertJsonPath('reason', 'below_zero')->json('details.lines.0'))->toContain('only 6 pc');
    $ship(['sure' => true])->assertOk();
    $row = DB::table('stock')->where('item_code', 'HEAD')->first();
    expect([(int) $row->qty, (int) $row->owed])->toBe([0, 4_000_000])->and((bool) DB::table('movements')->orderByDesc('id')->value('below_zero'))->toBeTrue();
    ($this->receive)(['order' => 'M1', 'qty' => '8'])->assertOk();
    $row = DB::table('stock')->where('item_code', 'HEAD')->first();
    expect([(int) $row->qty, (int) $row->owed])->toBe([4_000_000, 0]);
    // it stays in what is exported, and comes back with it
    $this->postJson('/movements/issue', ['order' => 'M1', 'parts' => [['line' => '20', 'qty' => '9']], 'more' => true, 'note' => 'spilt', 'sure' => true, 'key' => ($this->key)()])
        ->assertStatus(422)->assertJsonPath('reason', 'over');
});

it('uses by itself what the work takes, where the item says so, and tells what was not there', function () {
    DB::table('items')->whereIn('code', ['ROD', 'GLUE'])->update(['auto_issue' => true]);
    DB::table('stock')->where('item_code', 'GLUE')->update(['qty' => 500_000]);
    DB::table('movements')->where('item_code', 'GLUE')->update(['qty' => 500_000]);
    DB::table('work_centres')->insert(['code' => 'BENCH', 'name' => 'Bench', 'site_code' => 'MAIN', 'kind' => 'people', 'units' => 1, 'efficiency' => 100_000_000]);
    DB::table('operations')->insert([
        'item_code' => 'HEAD', 'op' => 10, 'work_centre_code' => 'BENCH', 'setup' => 0, 'run' => 5_000_000, 'base_qty' => 1_000_000, 'queue' => 0, 'move' => 0,
        'crew' => 1, 'setup_family' => '',
    ]);
    Journal::write('import', 'Operations.', null);
    $this->actingAs(Demo::user('floor'));
    $said = $this->postJson('/worklist/report', [
        'order' => 'M1', 'op' => 10, 'done' => '3', 'scrap' => '1', 'reason' => 'cracked', 'minutes' => 20, 'note' => '', 'key' => ($this->key)(),
    ])->assertOk()->json('message');
    expect($said)->toContain('12 pc ROD')->toContain('was not there')->and(($this->stock)('ROD'))->toBe(28)->and(($this->stock)('GLUE'))->toBe(0);
    // the rest is used by what comes of it
    $this->actingAs(Demo::user('stores'));
    ($this->receive)(['order' => 'M1', 'qty' => '5', 'parts' => false])->assertOk();
    expect(($this->stock)('ROD'))->toBe(25);
});

it('receives all that is open of many orders, or nothing', function () {
    $whole = fn (array $orders, array $more = []) => $this->postJson('/movements/receive-whole', ['orders' => $orders, 'key' => ($this->key)(), ...$more]);
    expect($whole(['P1', 'NONE'])->assertStatus(422)->json('reason'))->toBe('over')->and(($this->stock)('ROD'))->toBe(40);
    $key = ($this->key)();
    $whole(['P1', 'M1', 'P1'], ['key' => $key])->assertOk();
    $whole(['P1', 'M1', 'P1'], ['key' => $key])->assertOk(); // pressed twice
    expect(($this->stock)('ROD'))->toBe(40 + 50 - 24)->and(($this->stock)('HEAD'))->toBe(14)
        ->and(DB::table('orders')->where('status', 'done')->count())->toBe(2)->and($whole(['P1'])->assertStatus(422)->json('reason'))->toBe('over');
});

it('takes a movement back by a counter-entry, once, and opens an order that was done', function () {
    ($this->receive)(['qty' => '50'])->assertOk();
    $id = (int) DB::table('movements')->max('id');
    $reverse = fn (int $id) => $this->postJson("/movements/{$id}/reverse", ['key' => ($this->key)(), 'note' => 'wrong pallet']);
    $reverse($id)->assertOk()->assertJsonPath('message', 'Taken back: 50 pc of ROD, P1');
    $reverse($id)->assertStatus(422)->assertJsonPath('reason', 'reversed');
    $reverse((int) DB::table('movements')->max('id'))->assertStatus(422)->assertJsonPath('reason', 'reversed');
    $reverse((int) DB::table('movements')->where('kind', 'import')->min('id'))->assertStatus(422)->assertJsonPath('reason', 'kind');
    $reverse(99999)->assertStatus(422)->assertJsonPath('reason', 'gone');
    expect(($this->stock)('ROD'))->toBe(40)->and(DB::table('orders')->where('code', 'P1')->value('status'))->toBe('released')
        ->and((int) DB::table('movements')->where('counter_of', $id)->value('qty'))->toBe(-50_000_000);
    $rows = $this->getJson('/movements/rows?q=P1')->assertOk()->json('rows');
    expect(array_column($rows, 'counterOf'))->toBe([$id, null])->and(array_column($rows, 'isCountered'))->toBe([false, true]);
});

it('is undone as a whole from the journal, with counter-entries', function () {
    $commit = ($this->receive)(['qty' => '50'])->assertOk()->json('commit');
    $this->actingAs(Demo::user('administrator'))->postJson("/journal/{$commit}/undo", ['key' => ($this->key)()])->assertOk();
    expect(($this->stock)('ROD'))->toBe(40)->and(DB::table('orders')->where('code', 'P1')->value('status'))->toBe('released')
        ->and(DB::table('movements')->whereNotNull('counter_of')->count())->toBe(1);
});

it('says what moved, of an item, an order, a kind and days', function () {
    ($this->receive)([], ['note' => 'dock 2'])->assertOk();
    $this->get('/movements')->assertOk();
    $rows = fn (array $asked) => $this->getJson('/movements/rows?'.http_build_query($asked))->assertOk()->json();
    expect($rows([])['count'])->toBe(4)->and($rows(['kind' => 'receipt'])['rows'][0])->toMatchArray([
        'item' => 'ROD', 'qty' => '20', 'day' => '2026-03-02', 'reason' => 'dock 2', 'document' => ['label' => 'P1', 'href' => '/orders/line?code=P1'],
    ])->and($rows(['q' => 'DOCK'])['count'])->toBe(1)->and($rows(['item' => 'GLUE'])['count'])->toBe(1)->and($rows(['order' => 'P1'])['count'])->toBe(1)
        ->and($rows(['from' => '2026-03-03'])['count'])->toBe(0)->and($rows(['kind' => 'x', 'from' => 'never', 'before' => '-3'])['count'])->toBe(4);
});

it('moves a transfer out of one stock when it is sent, and into the other when it is received', function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'sites.csv' => "site,calendar\nMAIN,WORK\nSIDE,WORK\n", 'stock.csv' => "item,site,qty\nROD,MAIN,40\n",
        'orders.csv' => "order,kind,status,item,site,from_site,qty,due\nT1,transfer,firm,ROD,SIDE,MAIN,15,2026-03-05\n",
    ])));
    ($this->receive)(['order' => 'T1', 'qty' => '15'])->assertStatus(422)->assertJsonPath('reason', 'fit');
    $send = fn (string $order) => $this->postJson('/movements/send', ['order' => $order, 'key' => ($this->key)()]);
    $send('T1')->assertOk()->assertJsonPath('message', '15 pc of ROD sent with T1 from MAIN to SIDE');
    $send('T1')->assertStatus(422)->assertJsonPath('reason', 'over');
    $send('NONE')->assertStatus(422);
    ($this->receive)(['order' => 'T1', 'qty' => '15'])->assertOk();
    expect(array_slice(($this->ledger)(), -2))->toBe(['transfer ROD -15 order:T1', 'receipt ROD 15 order:T1'])
        ->and(DB::table('stock')->where('site_code', 'SIDE')->value('qty'))->toEqual(15_000_000);
});

it('lets one after the other write, so that nothing that came is lost', function () {
    $turns = 0;
    DB::listen(function ($query) use (&$turns): void {
        $turns += str_contains($query->sql, 'settings') && in_array('write_turn', $query->bindings, true) ? 1 : 0;
    });
    ($this->receive)([])->assertOk();
    expect($turns)->toBeGreaterThan(0);
    if (DB::getDriverName() !== 'pgsql') {
        return; // a transaction of SQLite has the turn from its beginning, which is tested for itself
    }
    config(['database.connections.other' => config('database.connections.pgsql')]);
    $other = DB::connection('other');
    $other->statement("set lock_timeout = '300ms'");
    App\Support\WriteTurn::take();
    expect(fn () => $other->transaction(fn () => $other->table('settings')->where('key', 'write_turn')->lockForUpdate()->first()))
        ->toThrow(Illuminate\Database\QueryException::class);
    DB::purge('other');
});

it('has a delivery note of what was shipped at once, without what was taken back', function () {
    $commit = $this->postJson('/movements/ship', ['lines' => [
        ['order' => 'S1', 'line' => '1', 'qty' => '2'], ['order' => 'S2', 'line' => '1', 'qty' => '3'],
    ], 'key' => ($this->key)()])->assertOk()->json('commit');
    $note = DeliveryNote::of($commit);
    expect(array_keys($note->customers))->toBe(['Pier 9 Supply', 'Voss Aqua'])->and($note->customers['Pier 9 Supply'][0])
        ->toMatchObject(['line' => 'S1/1', 'item' => 'HEAD', 'qty' => 2_000_000, 'left' => 8_000_000]);
    expect(substr((string) $this->get("/movements/delivery/{$commit}.pdf")->assertOk()->getContent(), 0, 5))->toBe('%PDF-');
    foreach (DB::table('movements')->where('kind', 'shipment')->pluck('id') as $id) {
        $this->postJson("/movements/{$id}/reverse", ['key' => ($this->key)()])->assertOk();
    }
    $this->getJson("/movements/delivery/{$commit}.pdf")->assertStatus(422)->assertJsonPath('reason', 'empty');
});

it('counts how punctual a supplier was from what really came, without what was taken back', function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'supplier_items.csv' => "supplier,item,lead_days,price\nSUP,ROD,5,2\nSUP,GLUE,3,4\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\n"
        ."P1,buy,released,ROD,MAIN,SUP,50,2026-02-27\nP2,buy,released,GLUE,MAIN,SUP,5,2026-03-05\nP3,buy,released,ROD,MAIN,SUP,5,2026-03-02\n"])));
    $this->actingAs(Demo::user('stores'));
    expect(Punctuality::of(['SUP', 'NONE']))->toBe([]);
    ($this->receive)(['qty' => '20'])->assertOk(); // three days late
    ($this->receive)(['qty' => '10'], ['day' => '2026-02-27'])->assertOk(); // on the day
    ($this->receive)(['order' => 'P2', 'qty' => '5'])->assertOk();
    expect(Punctuality::of(['SUP'])['SUP']->said())->toBe('2 of 3 in time, else 3 days late on average');
    $first = (int) DB::table('movements')->where('qty', 20_000_000)->where('kind', 'receipt')->value('id');
    $this->postJson("/movements/{$first}/reverse", ['key' => ($this->key)()])->assertOk();
    expect(Punctuality::of(['SUP'])['SUP']->said())->toBe('all of 2 in time');
    $bought = DB::table('plan_supplies')->where('kind', 'proposal')->where('type', 'buy')->value('name');
    expect($this->getJson("/proposals/{$bought}")->assertOk()->json('ways.0'))->toMatchArray(['supplier' => 'SUP', 'punctual' => 'all of 2 in time']);
});

it('answers what is none with no', function () {
    $huge = str_repeat('9', 20);
    $this->postJson("/movements/{$huge}/reverse", ['key' => ($this->key)()])->assertNotFound();
    $this->getJson("/movements/delivery/{$huge}.pdf")->assertNotFound();
    $this->getJson('/movements/delivery/x.pdf')->assertNotFound();
    $this->postJson("/journal/{$huge}/undo", ['key' => ($this->key)()])->assertNotFound();
    $this->getJson("/movements/rows?before={$huge}")->assertOk();
    $this->postJson('/movements/receive-whole', ['orders' => [['x']], 'key' => ($this->key)()])->assertStatus(422);
});

it('lets who may make transfer orders release one, with the stock that goes along', function (string $held) {
    Demo::of(folderWith(Demo::copy('worked', [
        'sites.csv' => "site,calendar\nMAIN,WORK\nSIDE,WORK\n", 'stock.csv' => "item,site,qty\nROD,MAIN,40\n",
        'orders.csv' => "order,kind,status,item,site,from_site,qty,due\nT1,transfer,firm,ROD,SIDE,MAIN,15,2026-03-05\n",
        'allocations.csv' => "demand,supply,qty\n{$held}",
    ])));
    $release = function (string $role): Illuminate\Testing\TestResponse {
        $this->actingAs(Demo::user($role))->postJson('/draft/lines', ['changes' => [['change' => 'release_order', 'order' => 'T1', 'released' => true]]]);

        return $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user($role))->version, 'key' => ($this->key)()]);
    };
    $release('buyer')->assertStatus(422);
    expect(($this->stock)('ROD'))->toBe(40);
    $release('scheduler')->assertOk();
    expect(array_slice(($this->ledger)(), -1))->toBe(['transfer ROD -15 order:T1'])->and(DB::table('allocations')->count())->toBe(0)
        ->and(Ledger::differences()->get()->all())->toBe([]);
})->with(['', "out:T1,stock:ROD@MAIN,15\n"]);

it('shows what a list of counted items differs by before it is booked, the largest first, and what cannot be', function () {
    $look = fn (string $text) => $this->postJson('/count/look', ['site' => 'MAIN', 'text' => $text]);
    DB::table('items')->where('code', 'GLUE')->update(['unit_cost' => 9_000_000]);
    $rows = $look("ROD\t41\nGLUE; 2.5\nHEAD 6\r\nNONE 4\nROD 9\nHEAD, -1\nGLUE x")->assertOk()->json();
    $said = array_map(fn (array $row) => [$row['item'], $row['difference'], $row['trouble'] === null], $rows['rows']);
    expect($rows['agree'])->toBe(1)->and(array_slice($said, -2))->toBe([['GLUE', '-2.5', true], ['ROD', '1', true]])
        ->and(array_column(array_slice($said, 0, 4), 2))->toBe([false, false, false, false]);
    // what was looked at is what is booked
    $this->postJson('/movements/count', [
        'rows' => array_map(fn (array $row) => ['item' => $row['item'], 'site' => 'MAIN', 'qty' => $row['qty'], 'books' => $row['books']], array_slice($rows['rows'], -2)),
        'key' => ($this->key)(),
    ])->assertOk();
    expect(($this->stock)('GLUE'))->toBe(2.5)->and(($this->stock)('ROD'))->toBe(41);
    $look("\n \n")->assertStatus(422);
    $look(str_repeat("ROD 1\n", 501))->assertStatus(422)->assertJsonPath('reason', 'too_many');
    $this->postJson('/count/look', ['site' => 'NOWHERE', 'text' => 'ROD 1'])->assertStatus(422)->assertJsonPath('reason', 'site');
});

it('says what a production order was to take and what it took: material to the cent, minutes and scrap as they were reported', function () {
    $line = DB::table('order_lines')->where('code', 'M1')->value('id');
    foreach ([['10', 'ROD', 16_000_000], ['20', 'GLUE', 1_000_000]] as [$number, $item, $qty]) {
        DB::table('order_components')->insertOrIgnore(['order_line_id' => $line, 'line' => $number, 'item_code' => $item, 'qty' => $qty, 'issued' => 0]);
    }
    DB::table('order_components')->where('order_line_id', $line)->where('line', '10')->update(['qty' => 16_000_000, 'issued' => 5_000_000]);
    DB::table('order_components')->where('order_line_id', $line)->where('line', '20')->update(['qty' => 1_000_000, 'issued' => 0]);
    DB::table('items')->where('code', 'ROD')->update(['unit_cost' => 1_255_000]);
    DB::table('items')->where('code', 'GLUE')->update(['unit_cost' => 12_500_000]);
    foreach ([[3, 7], [null, 2]] as [$minutes, $scrap]) {
        DB::table('work_reports')->insert([
            'order_code' => 'M1', 'op' => 10, 'work_centre_code' => 'X', 'done' => 0, 'scrap' => $scrap * 1_000_000, 'minutes' => $minutes,
            'user_id' => Demo::user('floor')->id, 'created_at' => now(),
        ]);
    }
    $this->getJson('/order-detail/M1')->assertOk()->assertJsonPath('lines.0.took', [
        'material' => '32.58', 'issued' => '6.28', 'minutes' => null, 'reported' => 3, 'scrap' => '9',
    ]);
    $this->getJson('/order-detail/P1')->assertJsonPath('lines.0.took', null);
});
