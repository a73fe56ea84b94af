<?php

declare(strict_types=1);

use App\Models\Run;
use App\Reading\Examination;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'stock.csv' => "item,site,qty\nROD,MAIN,40\nGLUE,MAIN,5\nHEAD,MAIN,6\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,received,due\nP1,buy,released,ROD,MAIN,SUP,50,10,2026-03-05\n"
            ."M1,make,released,HEAD,MAIN,,8,0,2026-03-10\n",
        'order_components.csv' => "order,line,item,qty,issued\nM1,10,ROD,24,4\n",
        'allocations.csv' => "demand,supply,qty\npart:M1/10,stock:ROD@MAIN,20\n",
    ])));
    $this->actingAs(Demo::user('stores'));
    $this->found = fn () => [...app(Examination::class)->all()];
});

it('finds nothing wrong after a day of receiving, issuing, shipping, counting and taking back', function () {
    expect(($this->found)())->toBe([]);
    $key = fn () => bin2hex(random_bytes(10));
    $this->postJson('/movements/receive', ['lines' => [['order' => 'P1', 'item' => '', 'qty' => '15']], 'key' => $key()])->assertOk();
    $this->postJson('/movements/issue', ['order' => 'M1', 'parts' => [['line' => '10', 'qty' => '20']], 'key' => $key()])->assertOk();
    $this->postJson('/movements/receive', ['lines' => [['order' => 'M1', 'item' => '', 'qty' => '8']], 'key' => $key()])->assertOk();
    $this->postJson('/movements/ship', ['lines' => [['order' => 'S1', 'line' => '1', 'qty' => '9']], 'key' => $key()])->assertOk();
    $this->postJson('/movements/count', ['rows' => [['item' => 'GLUE', 'site' => 'MAIN', 'qty' => '4.5', 'books' => '5']], 'key' => $key()])->assertOk();
    foreach (DB::table('movements')->where('kind', 'receipt')->pluck('id') as $id) {
        $this->postJson("/movements/{$id}/reverse", ['key' => $key()]); // one of them has gone to the customer and stays
    }
    expect(($this->found)())->toBe([])->and(DB::table('movements')->whereNotNull('counter_of')->count())->toBe(1);
    $this->artisan('yposta:check')->expectsOutput('All agrees.')->assertExitCode(0);
});

it('says what is wrong, and changes nothing', function (callable $breaks, string $says) {
    $breaks();
    $before = json_encode([DB::table('stock')->get(), DB::table('movements')->get(), DB::table('orders')->get(), DB::table('order_lines')->get()]);
    expect(implode("\n", ($this->found)()))->toContain($says);
    $this->artisan('yposta:check')->assertExitCode(1);
    expect(json_encode([DB::table('stock')->get(), DB::table('movements')->get(), DB::table('orders')->get(), DB::table('order_lines')->get()]))->toBe($before);
})->with([
    [fn () => DB::table('stock')->where('item_code', 'ROD')->update(['qty' => 41_000_000]), 'Stock of ROD at MAIN is 41, but its movements come to 40.'],
    [fn () => DB::table('movements')->where('item_code', 'GLUE')->delete(), 'Stock of GLUE at MAIN is 5, but its movements come to 0.'],
    [fn () => DB::table('stock')->where('item_code', 'HEAD')->update(['qty' => -1]), 'Stock of HEAD at MAIN is below zero, or owed and there at once.'],
    [fn () => booked('receipt', 11, 'order:P1'), 'Order P1: 10 received, but 11 is booked.'],
    [fn () => booked('issue', -5, 'part:M1/10'), 'M1/10: 4 issued, but 5 is booked.'],
    [fn () => booked('shipment', -1, 'sales:S1/1'), 'Sales line S1/1: 0 shipped, but 1 is booked.'],
    [fn () => DB::table('orders')->where('code', 'P1')->update(['created_by' => Demo::user('buyer')->id]), 'Order P1: 10 received, but 0 is booked.'],
    [fn () => booked('count', 3, '', (int) DB::table('movements')->where('item_code', 'ROD')->value('id')), 'takes back'],
    [fn () => DB::table('orders')->where('code', 'M1')->update(['status' => 'done']), 'Order M1 is done though not all of it has come.'],
    [fn () => DB::table('order_lines')->where('code', 'P1')->update(['received' => 60_000_000]), 'Order P1 has received more than it orders.'],
    [fn () => DB::table('allocations')->update(['qty' => 41_000_000]), 'Of stock of ROD@MAIN 41 is held, but there is only 40.'],
    [fn () => DB::table('allocations')->insert(['demand' => 'part:M1/10', 'supply' => 'order:GONE', 'qty' => 1_000_000]), 'Of GONE 1 is held, but there is only 0.'],
    [fn () => DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')->limit(1)->delete(), 'The plan has'],
]);

function booked(string $kind, int $pieces, string $document, ?int $counterOf = null): void
{
    DB::table('movements')->insert([
        'kind' => $kind, 'item_code' => 'ROD', 'site_code' => 'MAIN', 'qty' => $pieces * 1_000_000, 'document' => $document, 'day' => '2026-03-02',
        'counter_of' => $counterOf, 'created_at' => now(),
    ]);
}
