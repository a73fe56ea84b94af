<?php

declare(strict_types=1);

use App\Models\Order;
use App\Reading\Examination;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->look = fn (string $text) => $this->postJson('/data/look', ['kind' => 'orders', 'text' => $text])->assertOk()->json();
    $this->bring = function (string $text) {
        $seen = ($this->look)($text);

        return $this->postJson('/data/bring', [
            'kind' => 'orders', 'text' => $text, 'new' => $seen['new'], 'changed' => $seen['changed'], 'key' => freshKey(),
        ]);
    };
    $this->undo = fn () => $this->postJson('/journal/'.DB::table('commits')->max('id').'/undo', ['key' => freshKey()])->assertOk();
    $this->lines = fn (string $like) => DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('l.code', 'like', $like)
        ->where('l.cancelled', false)->orderBy('l.code')->get(['l.code', 'o.code as head', 'o.kind', 'o.status', 'o.supplier_code', 'l.qty', 'l.due']);
});

const HEAD_OF_ORDERS = "order\tkind\tstatus\titem\tsite\tsupplier\tqty\tdue\n";

it('brings what is under way elsewhere as orders of their own numbers, and tells what it would do first', function () {
    $text = HEAD_OF_ORDERS."4711.1\tbuy\treleased\tBAT-7\tOSK\tFENNICK\t40\t2026-03-20\n4711.2\tbuy\treleased\tPCB-207\tOSK\tFENNICK\t10\t2026-03-20\n"
        ."FA-9\tmake\tfirm\tWS-400\tOSK\t\t3\t2026-03-27\nP-3308\tbuy\treleased\tPCB-207\tOSK\tFENNICK\t60\t2026-03-12\n";
    $seen = ($this->look)($text);
    expect([$seen['new'], $seen['changed'], $seen['wrong']])->toBe([3, 1, 0])->and($seen['rows'][0]['what'])->toContain('2026-03-10')->toContain('2026-03-12')
        ->and(array_column($seen['columns'], 'field'))->not->toContain('received');
    ($this->bring)($text)->assertOk();

    $lines = ($this->lines)('4711%');
    expect($lines->pluck('code')->all())->toBe(['4711.1', '4711.2'])->and($lines->pluck('head')->unique()->all())->toBe(['4711'])
        ->and(($this->lines)('FA-9')[0]->kind)->toBe('make')->and(substr((string) ($this->lines)('P-3308')[0]->due, 0, 10))->toBe('2026-03-12');
    $this->get('/orders/4711')->assertOk();
    $this->postJson('/runs', [])->assertOk();
    expect(DB::table('plan_supplies')->where('kind', 'order')->where('name', 'FA-9')->exists())->toBeTrue()
        ->and(($this->look)($text)['same'])->toBe(4)->and([...app(Examination::class)->all()])->toBe([]);
    $this->get('/data?kind=orders&q=4711')->assertInertia(fn ($page) => $page->where('list.total', 2)->where('kind.isTyped', false)
        ->where('list.rows.0.record', 'order:4711.1'));
    expect($this->get('/sheets/data.csv?kind=orders&q=4711')->streamedContent())->toContain('4711.2,buy,released,PCB-207');
});

it('takes a table back as a whole, and takes it again mended', function () {
    $wrong = HEAD_OF_ORDERS."4712\tbuy\treleased\tBAT-7\tOSK\tFENNICK\t40\t2026-03-20\n";
    ($this->bring)($wrong)->assertOk();
    ($this->undo)();
    expect(($this->lines)('4712'))->toHaveCount(0);
    $right = HEAD_OF_ORDERS."4712\tbuy\tfirm\tBAT-7\tOSK\tCALDERO\t50\t2026-03-23\n";
    ($this->bring)($right)->assertOk();
    $line = ($this->lines)('4712')[0];
    expect([$line->supplier_code, $line->status, (int) $line->qty])->toBe(['CALDERO', 'firm', 50_000_000])
        ->and([...app(Examination::class)->all()])->toBe([])
        ->and(Order::query()->where('code', '4712')->count())->toBe(1);
});

it('writes nothing of what makes no sense', function (string $rows, string $why) {
    $orders = DB::table('orders')->count();
    $text = HEAD_OF_ORDERS.$rows;
    $seen = ($this->look)($text);
    $answer = ($this->bring)($text)->assertStatus(422)->json('message');

    expect($answer.json_encode($seen['rows'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES))->toContain($why)
        ->and(DB::table('orders')->count())->toBe($orders);
})->with([
    'two suppliers of one order' => ["9.1\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n9.2\tbuy\tfirm\tPCB-207\tOSK\tCALDERO\t1\t2026-03-20\n", 'Lines of order 9 differ'],
    'a line of an order of another' => ["P-3308.2\tbuy\treleased\tRM-31\tOSK\tCALDERO\t4\t2026-03-20\n", 'Lines of order P-3308 differ'],
    'another item' => ["P-3308\tbuy\treleased\tRM-31\tOSK\tFENNICK\t4\t2026-03-20\n", 'cannot become another'],
    'an item that is not there' => ["9\tbuy\tfirm\tGHOST\tOSK\tFENNICK\t4\t2026-03-20\n", 'GHOST'],
    'no quantity' => ["9\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t\t2026-03-20\n", 'Quantity'],
    'one twice' => ["9\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n9\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t5\t2026-03-20\n", 'line 2'],
    'a number of a proposal' => ["proposal:9\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n", 'proposal'],
    'a number that waits for one' => ["new:9\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n", 'new:9'],
]);

it('does not bring back a number that has a past', function () {
    DB::table('orders')->where('code', 'P-3308')->update(['status' => 'done']);
    ($this->bring)(HEAD_OF_ORDERS."P-3308\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n")->assertStatus(422)
        ->assertJsonPath('message', 'There has been an order P-3308, which is over. Give the new one another number; nothing was written.');
});

it('lets everybody bring what is theirs to order', function () {
    $buy = "4713\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n";
    $make = "FA-1\tmake\tfirm\tWS-400\tOSK\t\t3\t2026-03-27\n";
    $this->actingAs(Demo::user('buyer'));
    ($this->bring)(HEAD_OF_ORDERS.$buy)->assertOk();
    ($this->bring)(HEAD_OF_ORDERS.$make)->assertStatus(422);
    ($this->bring)(HEAD_OF_ORDERS."4714\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n".$make)->assertStatus(422);
    $this->actingAs(Demo::user('viewer'));
    ($this->bring)(HEAD_OF_ORDERS."4715\tbuy\tfirm\tBAT-7\tOSK\tFENNICK\t4\t2026-03-20\n")->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    expect(($this->lines)('471%')->pluck('code')->all())->toBe(['4713'])->and(($this->lines)('FA-1'))->toHaveCount(0);
});
