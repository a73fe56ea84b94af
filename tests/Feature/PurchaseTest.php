<?php

declare(strict_types=1);

use App\Actions\StartRun;
use App\Models\Draft;
use App\Models\Run;
use App\Outgoing\Outbox;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Tests\Demo;

/** @return list<int> numbers of proposals to buy from one supplier */
function boughtFromOne(int $many): array
{
    $run = Run::live()->id;
    $rows = DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
        ->where('s.run_id', $run)->where('s.kind', 'proposal')->where('s.type', 'buy')->whereNotNull('s.supplier_code')->where('p.site_code', 'OSK')
        ->orderBy('s.supplier_code')->orderBy('s.due')->orderBy('s.n')->get(['s.name', 's.point', 's.supplier_code']);

    return $rows->groupBy('supplier_code')->first(fn ($own) => $own->unique('point')->count() >= $many)->unique('point')
        ->take($many)->pluck('name')->map(fn ($name) => (int) $name)->values()->all();
}

beforeEach(function () {
    Demo::planned();
    $this->handOver = function (int $many = 3, string $note = 'for the spring build'): array {
        $this->actingAs(Demo::user('planner'));
        $lines = array_map(fn (int $number) => ['number' => $number], boughtFromOne($many));

        return $this->postJson('/proposals/convert', [
            'run' => Run::live()->id, 'key' => freshKey(), 'sure' => true, 'agreed' => true, 'handOver' => true, 'note' => $note, 'lines' => $lines,
        ])->assertOk()->json();
    };
    $this->buy = function (array $codes, array $more = []) {
        $this->actingAs(Demo::user('buyer'));

        return $this->postJson('/requests/buy', ['lines' => array_map(fn (string $code) => ['line' => $code], $codes), 'key' => freshKey(), ...$more]);
    };
    $this->send = function (string $order, array $more = []) {
        $version = DB::table('orders')->where('code', $order)->value('version');

        return $this->postJson('/purchases/send', ['order' => $order, 'mail' => true, 'version' => $version, 'key' => freshKey(), ...$more]);
    };
});

it('offers a request of every supplier where nobody offers its item', function () {
    $made = ($this->handOver)();
    $row = DB::table('order_lines')->where('code', $made['orders'][0]['code'])->first();
    DB::table('supplier_items')->where('item_code', $row->item_code)->delete();
    $offers = collect($this->get('/requests')->assertOk()->inertiaProps()['list']['rows'])->firstWhere('code', $row->code)['offers'];

    expect(array_column($offers, 'code'))->toBe(DB::table('suppliers')->orderBy('code')->pluck('code')->all())
        ->and(array_column($offers, 'lead'))->each->toBeNull();
    ($this->buy)([], ['lines' => [['line' => $row->code, 'supplier' => $offers[0]['code'], 'price' => '3']], 'sure' => true])->assertOk();
    expect(DB::table('order_lines as l')->join('orders as o', 'o.id', 'l.order_id')->where('l.code', $row->code)->value('o.supplier_code'))
        ->toBe($offers[0]['code']);
});

it('hands proposals to purchasing, which makes one order of three requests, and the plan does not feel it', function () {
    $made = ($this->handOver)();
    $codes = array_column($made['orders'], 'code');
    expect($made['message'])->toBe('3 requests handed to purchasing.')->and($codes)->toHaveCount(3)->each->toStartWith('Q-')
        ->and(DB::table('orders')->whereIn('code', $codes)->where('is_request', true)->where('status', 'firm')->count())->toBe(3);
    $this->get('/requests')->assertOk()->assertInertia(fn ($page) => $page->component('Requests')->where('list.total', 3)
        ->where('list.rows.0.note', 'for the spring build')->has('list.rows.0.offers.0.code')
        ->where('list.rows.0.for', fn ($for) => count($for) > 0));
    $before = app(StartRun::class)([], null);

    $answer = ($this->buy)($codes)->assertOk()->json();
    $order = $answer['orders'][0]['code'];
    expect($answer['orders'])->toHaveCount(1)->and($order)->toStartWith('P-')
        ->and(DB::table('order_lines as l')->join('orders as o', 'o.id', 'l.order_id')->where('o.code', $order)->orderBy('l.number')->pluck('l.code', 'l.number')->all())
        ->toBe([1 => $codes[0], 2 => $codes[1], 3 => $codes[2]])
        ->and(DB::table('orders')->whereIn('code', $codes)->count())->toBe(0)
        ->and(DB::table('purchase_requests')->whereNotNull('ordered_at')->count())->toBe(3);
    $this->get('/requests')->assertInertia(fn ($page) => $page->where('list.total', 0));
    $this->getJson('/orders/line?code='.$codes[1])->assertRedirect("/orders/{$order}");
    $this->get("/orders/{$codes[1]}")->assertRedirect("/orders/line?code={$codes[1]}"); // a link from before leads there, too
    $this->followingRedirects()->get('/orders/NOTHING')->assertNotFound();
    // the lines kept their names, so the plan is the same to the row
    $after = app(StartRun::class)([], null);
    $rows = fn (Run $run) => DB::table('plan_supplies')->where('run_id', $run->id)->orderBy('n')->get(['kind', 'name', 'qty', 'due', 'available'])->all();
    expect($rows($after))->toEqual($rows($before));
    // taken apart, they wait again
    $this->postJson('/purchases/apart', ['order' => $order, 'key' => freshKey()])->assertOk();
    $this->get('/requests')->assertInertia(fn ($page) => $page->where('list.total', 3));
    expect(DB::table('orders')->where('code', $order)->count())->toBe(0);
});

it('lets a buyer decide otherwise: supplier, quantity, date and price, and asks at absurd ones', function () {
    $codes = array_column(($this->handOver)(2)['orders'], 'code');
    $other = DB::table('suppliers')->whereNotIn('code', DB::table('orders')->whereIn('code', $codes)->pluck('supplier_code'))->orderBy('code')->value('code');
    $line = DB::table('order_lines')->where('code', $codes[0])->first();
    $wish = ['line' => $codes[0], 'supplier' => $other, 'due' => '2026-06-15', 'qty' => (string) ($line->qty / 1_000_000 + 1), 'price' => '0'];
    $this->actingAs(Demo::user('buyer'));
    $key = freshKey();
    $this->postJson('/requests/buy', ['lines' => [$wish, ['line' => $codes[1]]], 'key' => $key])->assertStatus(422)->assertJsonPath('reason', 'absurd');
    expect(DB::table('orders')->whereIn('code', $codes)->where('is_request', true)->count())->toBe(2);
    $made = $this->postJson('/requests/buy', ['lines' => [$wish, ['line' => $codes[1]]], 'key' => $key, 'sure' => true])->assertOk()->json('orders');
    expect($made)->toHaveCount(2); // two suppliers
    $again = $this->postJson('/requests/buy', ['lines' => [$wish, ['line' => $codes[1]]], 'key' => $key, 'sure' => true])->assertOk()->json('orders');
    expect($again)->toBe($made);
    $now = DB::table('order_lines as l')->join('orders as o', 'o.id', 'l.order_id')->where('l.code', $codes[0])->first();
    expect($now->supplier_code)->toBe($other)->and((int) $now->price)->toBe(0)->and(substr($now->due, 0, 10))->toBe('2026-06-15')
        ->and((int) $now->qty)->toBe((int) $line->qty + 1_000_000);
});

it('takes no day that is over, no sign that a letter cannot hold, and survives a price that nobody pays', function () {
    $codes = array_column(($this->handOver)(1)['orders'], 'code');
    ($this->buy)($codes, ['lines' => [['line' => $codes[0], 'due' => '2026-02-27']]])->assertStatus(422)->assertJsonPath('reason', 'date');
    $order = ($this->buy)($codes, ['lines' => [['line' => $codes[0], 'qty' => '999999999', 'price' => '999999999.999999']], 'sure' => true])
        ->assertOk()->json('orders.0.code');
    ($this->send)($order, ['mail' => false, 'text' => "First line\x01\nsecond"])->assertOk();
    $xml = (string) $this->get("/orders/{$order}/order.xml")->assertOk()->getContent();
    expect(simplexml_load_string($xml))->not->toBeFalse()->and($xml)->toContain("First line\nsecond")->not->toContain('PayableAmount');
    $this->get("/orders/{$order}/order.pdf")->assertOk();
    $this->get("/orders/{$order}")->assertOk();
});

it('is not taken apart once something of it has come', function () {
    $codes = array_column(($this->handOver)(2)['orders'], 'code');
    $order = ($this->buy)($codes)->assertOk()->json('orders.0.code');
    DB::table('order_lines')->where('code', $codes[0])->update(['received' => 1_000_000]);
    $this->postJson('/purchases/apart', ['order' => $order, 'key' => freshKey()])->assertStatus(422)->assertJsonPath('reason', 'stale');
});

it('adds to an order of the same supplier that was not sent, and to no other', function () {
    $codes = array_column(($this->handOver)(3)['orders'], 'code');
    $order = ($this->buy)([$codes[0]])->assertOk()->json('orders.0.code');
    ($this->buy)([$codes[1]], ['into' => $order])->assertOk()->assertJsonPath('orders.0.code', $order)->assertJsonPath('message', "1 request added to {$order}.");
    $foreign = DB::table('orders')->where('kind', 'buy')->where('status', 'firm')->where('is_request', false)->where('code', '<>', $order)
        ->where('supplier_code', '<>', DB::table('orders')->where('code', $order)->value('supplier_code'))->value('code');
    ($this->buy)([$codes[2]], ['into' => $foreign])->assertStatus(422)->assertJsonPath('reason', 'fit');
    ($this->send)($order)->assertOk();
    ($this->buy)([$codes[2]], ['into' => $order])->assertStatus(422)->assertJsonPath('reason', 'stale');
    expect(DB::table('orders')->where('code', $codes[2])->where('is_request', true)->count())->toBe(1);
});

it('gives requests back with a reason, so that the proposals are needed again', function () {
    $codes = array_column(($this->handOver)(2)['orders'], 'code');
    $this->actingAs(Demo::user('buyer'));
    $this->postJson('/requests/give-back', ['lines' => $codes, 'reason' => ' ', 'key' => freshKey()])->assertStatus(422)->assertJsonPath('reason', 'reason');
    $this->postJson('/requests/give-back', ['lines' => $codes, 'reason' => 'the drawing has changed', 'key' => freshKey()])->assertOk();
    expect(DB::table('order_lines')->whereIn('code', $codes)->where('cancelled', true)->count())->toBe(2)
        ->and(DB::table('conversions')->count())->toBe(0);
    $this->get('/')->assertInertia(fn ($page) => $page->where('lines', fn ($lines) => collect($lines)->contains(fn ($line) => $line['emphasis'] === 'given back by purchasing')));
    ($this->buy)([$codes[0]])->assertStatus(422)->assertJsonPath('reason', 'stale');
    $number = boughtFromOne(2)[0];
    $this->actingAs(Demo::user('planner'))->getJson("/proposals/{$number}")->assertOk()
        ->assertJsonPath('givenBack', 'Given back by '.Demo::user('buyer')->name.': the drawing has changed');
    // asked for anew, it is no longer said
    ($this->handOver)(2);
    $this->get('/requests')->assertInertia(fn ($page) => $page->where('back', []));
});

it('cannot be taken back by the planner once it was ordered', function () {
    $made = ($this->handOver)(2);
    ($this->buy)([$made['orders'][0]['code']])->assertOk();
    $this->actingAs(Demo::user('planner'))->postJson("/journal/{$made['commit']}/undo", ['key' => freshKey()])
        ->assertStatus(422)->assertJsonPath('message', "Purchasing has ordered {$made['orders'][0]['code']} since. Nothing was undone.");
});

it('is sent by mail with its paper and its UBL, once, and every change of it is a version', function () {
    $codes = array_column(($this->handOver)(3)['orders'], 'code');
    $order = ($this->buy)($codes)->assertOk()->json('orders.0.code');
    $key = freshKey();
    ($this->send)($order, ['key' => $key, 'text' => 'Please mark the boxes.'])->assertOk();
    ($this->send)($order, ['key' => $key, 'text' => 'Please mark the boxes.'])->assertOk();
    $letters = DB::table('letters')->get();
    expect($letters)->toHaveCount(1)->and($letters[0]->state)->toBe('sent')->and(DB::table('mailbox')->count())->toBe(1)
        ->and(DB::table('orders')->where('code', $order)->value('status'))->toBe('released');
    $mail = DB::table('mailbox')->first();
    [$pdf, $xml] = Outbox::files($letters[0]);
    $theirs = DB::table('supplier_items')->where('supplier_code', $letters[0]->supplier_code)
        ->where('item_code', DB::table('order_lines')->where('code', $codes[0])->value('item_code'))->value('their_code');
    expect($mail->recipient)->toBe($letters[0]->recipient)->and($mail->subject)->toBe("Purchase order {$order}")
        ->and($mail->message)->toContain("filename={$order}.pdf")->toContain("filename={$order}.xml")
        ->and(substr($pdf->content, 0, 5))->toBe('%PDF-')->and($xml->content)->toContain("<cbc:ID>{$theirs}</cbc:ID>")->toContain('Please mark the boxes.')
        ->and(simplexml_load_string($xml->content))->not->toBeFalse();
    ($this->send)($order)->assertStatus(422)->assertJsonPath('reason', 'over'); // he has it already
    // a change is a second version, and the first stays as it was
    $this->postJson('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => $codes[0], 'due' => '2026-06-22']], 'sure' => true])->assertOk();
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('buyer'))->version, 'key' => freshKey()])->assertOk();
    expect(DB::table('order_versions')->orderBy('number')->pluck('sent_at', 'number')->map(fn ($at) => $at !== null)->all())->toBe([1 => true, 2 => false]);
    $this->getJson("/order-detail/{$order}")->assertOk()->assertJsonPath('purchase.isNews', true)->assertJsonPath('purchase.stage', 'sent');
    ($this->send)($order)->assertOk();
    expect(DB::table('mailbox')->orderByDesc('id')->value('subject'))->toBe("Purchase order {$order}, version 2");
    $first = $this->get("/orders/{$order}/order.xml?version=1")->assertOk()->getContent();
    $second = $this->get("/orders/{$order}/order.xml?version=2")->assertOk()->getContent();
    expect($first)->not->toContain('2026-06-22')->and($second)->toContain('2026-06-22')->toContain('takes the place of all before it');
    $this->get("/orders/{$order}/order.pdf?version=3")->assertNotFound();
    // cancelled, he is told that, too
    $this->postJson('/draft/lines', ['changes' => array_map(fn ($code) => ['change' => 'cancel_order', 'order' => $code], $codes)])->assertOk();
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('buyer'))->version, 'key' => freshKey()])->assertOk();
    ($this->send)($order)->assertOk();
    expect(DB::table('mailbox')->orderByDesc('id')->value('subject'))->toBe("Purchase order {$order} is cancelled");
});

it('keeps a letter that cannot be delivered, and sends it again', function () {
    $order = ($this->buy)(array_column(($this->handOver)(1)['orders'], 'code'))->assertOk()->json('orders.0.code');
    config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => 1]);
    Mail::purge('smtp');
    ($this->send)($order)->assertOk();
    $letter = DB::table('letters')->first();
    expect($letter->state)->toBe('failed')->and($letter->error)->not->toBe('')->and(DB::table('orders')->where('code', $order)->value('status'))->toBe('released');
    $this->get('/letters')->assertInertia(fn ($page) => $page->where('list.failed', 1)->where('list.rows.0.state', 'failed'));
    config(['mail.default' => 'inside']);
    $this->postJson("/letters/{$letter->id}/send")->assertOk()->assertJsonPath('message', 'The letter has been sent.');
    $this->postJson("/letters/{$letter->id}/send")->assertOk();
    expect(DB::table('mailbox')->count())->toBe(1)->and(DB::table('letters')->value('tries'))->toBe(2);
    $this->get("/letters/{$letter->id}/files/1")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $this->get("/letters/{$letter->id}/files/3")->assertNotFound();
});

it('does not send to nowhere, nor what was changed meanwhile', function () {
    $order = ($this->buy)(array_column(($this->handOver)(1)['orders'], 'code'))->assertOk()->json('orders.0.code');
    ($this->send)($order, ['version' => 99])->assertStatus(422)->assertJsonPath('reason', 'stale');
    DB::table('suppliers')->update(['email' => '']);
    ($this->send)($order)->assertStatus(422)->assertJsonPath('reason', 'address');
    expect(DB::table('orders')->where('code', $order)->value('status'))->toBe('firm')->and(DB::table('letters')->count())->toBe(0);
    ($this->send)($order, ['mail' => false])->assertOk();
    expect(DB::table('orders')->where('code', $order)->value('status'))->toBe('released')->and(DB::table('letters')->count())->toBe(0);
});

it('keeps what a supplier confirms beside what was asked, until somebody accepts it', function () {
    $codes = array_column(($this->handOver)(2)['orders'], 'code');
    $order = ($this->buy)($codes)->assertOk()->json('orders.0.code');
    $asked = DB::table('order_lines')->whereIn('code', $codes)->get()->keyBy('code');
    $due = fn (string $code, int $days = 0) => date('Y-m-d', strtotime(substr($asked[$code]->due, 0, 10)." +{$days} days"));
    $qty = fn (string $code) => (string) ($asked[$code]->qty / 1_000_000);
    $lines = [['line' => $codes[0], 'qty' => $qty($codes[0]), 'due' => $due($codes[0])], ['line' => $codes[1], 'qty' => $qty($codes[1]), 'due' => $due($codes[1], 2)]];
    $this->postJson('/purchases/confirm', ['lines' => $lines, 'key' => freshKey()])->assertStatus(422)->assertJsonPath('reason', 'stale'); // not sent
    ($this->send)($order)->assertOk();
    $this->postJson('/purchases/confirm', ['lines' => $lines, 'key' => freshKey()])->assertOk();
    $this->getJson("/order-detail/{$order}")->assertJsonPath('purchase.stage', 'confirmed')->assertJsonPath('lines.1.confirmedDue', $due($codes[1], 2))
        ->assertJsonPath('lines.1.due', $due($codes[1]));
    $this->get('/chase?why=otherwise')->assertInertia(fn ($page) => $page->where('total', 1)->where('rows.0.code', $codes[1]));
    $this->postJson('/purchases/accept', ['lines' => [$codes[1]], 'key' => freshKey()])->assertOk();
    expect(substr(DB::table('order_lines')->where('code', $codes[1])->value('due'), 0, 10))->toBe($due($codes[1], 2));
    $this->get('/chase?why=otherwise')->assertInertia(fn ($page) => $page->where('total', 0));
});

it('reads what is confirmed from a file, as CSV and as UBL', function () {
    $codes = array_column(($this->handOver)(2)['orders'], 'code');
    $order = ($this->buy)($codes)->assertOk()->json('orders.0.code');
    ($this->send)($order)->assertOk();
    $items = DB::table('order_lines')->whereIn('code', $codes)->orderBy('number')->pluck('item_code')->all();
    $read = fn (string $file) => $this->postJson('/purchases/confirmation', ['file' => $file, 'key' => freshKey()]);
    $read("\xEF\xBB\xBForder,line,item,qty,date\n{$order},1,,7,2026-06-01\n{$order},,{$items[1]},8,2026-06-02\n")->assertOk();
    $now = fn () => DB::table('order_lines')->whereIn('code', $codes)->orderBy('number')->get(['confirmed_qty', 'confirmed_due', 'confirmed_how'])
        ->map(fn ($row) => [(int) $row->confirmed_qty / 1_000_000, substr($row->confirmed_due, 0, 10), $row->confirmed_how])->all();
    expect($now())->toBe([[7, '2026-06-01', 'csv'], [8, '2026-06-02', 'csv']]);
    $ubl = fn (string $lines, string $before = '') => '<?xml version="1.0"?>'.$before.'<OrderResponse xmlns="urn:oasis:names:specification:ubl:schema:xsd:OrderResponse-2" '
        .'xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2" xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">'
        ."<cbc:ID>R1</cbc:ID><cac:OrderReference><cbc:ID>{$order}</cbc:ID></cac:OrderReference>{$lines}</OrderResponse>";
    $line = fn (int $number, string $qty) => "<cac:OrderLine><cac:LineItem><cbc:ID>{$number}</cbc:ID><cbc:Quantity>{$qty}</cbc:Quantity><cac:Delivery>"
        .'<cac:PromisedDeliveryPeriod><cbc:EndDate>2026-06-05</cbc:EndDate></cac:PromisedDeliveryPeriod></cac:Delivery></cac:LineItem></cac:OrderLine>';
    $read($ubl($line(1, '5').$line(2, '6')))->assertOk();
    expect($now())->toBe([[5, '2026-06-05', 'ubl'], [6, '2026-06-05', 'ubl']]);
    foreach ([
        'entities' => $ubl($line(1, '9'), '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>'), 'well-formed' => '<OrderResponse', 'no OrderResponse' => '<a/>',
        "'-1' for a quantity" => $ubl($line(1, '-1')), "has no line '9'" => $ubl($line(9, '1')), 'there twice' => $ubl($line(1, '1').$line(1, '2')),
        'no column date' => "order,qty\n{$order},1\n", "'soon' for a date" => "order,line,qty,date\n{$order},1,1,soon\n", 'no lines' => "order,line,qty,date\n",
        'names neither' => "order,qty,date\n{$order},1,2026-06-01\n", 'UTF-8' => "order,line,qty,date\n\xff,1,1,2026-06-01\n",
        'more than 5,000 lines' => "order,line,qty,date\n".str_repeat("{$order},1,1,2026-06-01\n", 5001),
    ] as $why => $file) {
        if (mb_check_encoding($file, 'UTF-8')) { // what is no text cannot be sent as JSON
            $read($file)->assertStatus(422)->assertJsonPath('reason', 'file')->assertJsonPath('message', fn (string $said) => str_contains($said, $why));
        }
    }
    expect($now())->toBe([[5, '2026-06-05', 'ubl'], [6, '2026-06-05', 'ubl']]);
});

it('writes to each supplier about all of his lines in one letter', function () {
    $this->actingAs(Demo::user('buyer'));
    $rows = json_decode((string) json_encode($this->get('/chase')->assertOk()->viewData('page')['props']['rows']), true);
    $codes = array_column($rows, 'code');
    $suppliers = array_unique(array_column($rows, 'supplierCode'));
    expect(count($codes))->toBeGreaterThan(count($suppliers));
    $key = freshKey();
    $this->postJson('/chase', ['lines' => $codes, 'key' => $key])->assertOk();
    $this->postJson('/chase', ['lines' => $codes, 'key' => $key])->assertOk();
    expect(DB::table('mailbox')->count())->toBe(count($suppliers));
    foreach ($rows as $row) {
        $body = DB::table('letters')->where('supplier_code', $row['supplierCode'])->value('body');
        expect($body)->toContain($row['theirs'] === '' ? $row['item'] : $row['theirs']);
    }
    $this->postJson('/chase', ['lines' => ['NONE'], 'key' => freshKey()])->assertStatus(422)->assertJsonPath('reason', 'stale');
});
