<?php

declare(strict_types=1);

use App\Models\Draft;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(function () {
    $stock = "item,site,qty\nROD,MAIN,0\nGLUE,MAIN,90\n";
    Demo::of(folderWith(Demo::copy('worked', [
        'stock.csv' => $stock,
        'sales.csv' => "order,line,item,site,qty,due,priority,customer\nS1,1,HEAD,MAIN,40,2026-03-24,2,Pier 9 Supply\n",
        'work_centres.csv' => "work_centre,site,units\nBENCH,MAIN,2\nOVEN,MAIN,1\nSAW,MAIN,1\n",
        'shifts.csv' => "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\nOVEN,12345,06:00,14:00\nSAW,12345,06:00,14:00\n",
        'operations.csv' => "item,op,work_centre,run_min\nHEAD,10,BENCH,30\nHEAD,20,OVEN,10\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,firm,ROD,MAIN,SUP,50,2026-03-05\n"
            ."M1,make,released,HEAD,MAIN,,8,2026-03-10\nM2,make,firm,HEAD,MAIN,,4,2026-03-12\n",
        'order_components.csv' => "order,line,item,qty\nM1,10,ROD,24\nM2,10,GLUE,1\n",
    ])));
    $this->actingAs(Demo::user('scheduler'));
    $this->board = fn () => $this->getJson('/board/bars')->assertOk()->json();
    $this->bar = function (string $of, int $op): ?array {
        $board = ($this->board)();

        return collect($board['bars'])->first(fn ($bar) => $board['orders'][$bar['order']]['of'] === $of && $bar['op'] === $op);
    };
    $this->try = fn (array $move, string $way = 'push') => $this->postJson('/board/place', ['way' => $way, 'moves' => [
        [...['of' => 'order:M1', 'op' => 10, 'centre' => 'BENCH', 'units' => [1]], ...$move],
    ]]);
    $this->draft = fn (string $changes) => $this->postJson('/draft/lines', ['changes' => json_decode($changes, true)]);
});

/** Minutes from 00:00 of Monday, 2 March. */
function boardMinute(int $day, int $hour, int $minute = 0): int
{
    return ($day - 2) * 1440 + $hour * 60 + $minute;
}

it('shows what stands where, since when its material is there, and how far it is to the customer', function () {
    $this->get('/board')->assertOk();
    $board = ($this->board)();
    expect(array_column($board['centres'], 'code'))->toBe(['BENCH', 'OVEN', 'SAW'])->and($board['waitingCount'])->toBeGreaterThan(1)
        ->and($board['centres'][0]['open'][0])->toBe(['from' => 360, 'to' => 840, 'units' => null]);
    expect(($this->bar)('order:M1', 10))->toMatchArray(['ready' => boardMinute(5, 0), 'start' => boardMinute(5, 6), 'end' => boardMinute(5, 10), 'place' => 'loose'])
        ->and(($this->bar)('order:M1', 20))->toMatchArray(['ready' => null, 'start' => boardMinute(5, 10)]);
    $order = collect($board['orders'])->firstWhere('of', 'order:M1');
    expect($order)->toMatchArray(['label' => 'M1', 'state' => 'released', 'customers' => ['Pier 9 Supply'], 'way' => '19 days before Pier 9 Supply', 'late' => -19]);
});

it('says why an operation stands where it stands, whom its order waits for and who waits for it', function () {
    $pick = $this->getJson('/board/pick?of=order:M1')->assertOk()->json();
    expect($pick['steps'][0]['reasons'][0])->toMatchArray(['kind' => 'opens', 'says' => 'closed until Thu 5 Mar 06:00'])
        ->and($pick['steps'][0]['reasons'][1])->toMatchArray(['kind' => 'material', 'says' => 'material P1 ROD, there Thu 5 Mar 00:00'])
        ->and($pick['steps'][1]['reasons'][0])->toMatchArray(['kind' => 'operation', 'says' => 'operation 10 until Thu 5 Mar 10:00'])
        ->and($pick['waitsFor'][0])->toMatchArray(['label' => 'ROD', 'when' => 'Thu 5 Mar'])
        ->and($pick['waited'][0])->toMatchArray(['label' => 'S1/1 Pier 9 Supply', 'isLate' => false]);
    $this->getJson('/board/pick?of=order:NONE')->assertStatus(422)->assertJsonPath('reason', 'gone');
});

it('puts an operation elsewhere by a draft, which the board shows, and the rest follows', function () {
    $try = ($this->try)(['start' => boardMinute(6, 7), 'units' => [2]])->assertOk()->json();
    expect($try['places'][0])->toMatchArray(['end' => boardMinute(6, 11), 'trouble' => null]);
    ($this->draft)($try['changes'])->assertOk();
    expect(($this->bar)('order:M1', 10))->toMatchArray(['start' => boardMinute(6, 7), 'units' => [2], 'place' => 'hand'])
        ->and(($this->bar)('order:M1', 20)['start'])->toBe(boardMinute(6, 11))
        ->and(DB::table('order_operations')->count())->toBe(0);
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('scheduler'))->version, 'key' => bin2hex(random_bytes(10))])->assertOk();
    expect(DB::table('order_operations')->where('op', 10)->value('start_instant'))->toBe('2026-03-06 07:00');
});

it('says in words why something cannot stand there', function (array $move, string $says) {
    $answer = ($this->try)($move)->assertOk()->json();
    expect($answer['places'][0]['trouble'])->toContain($says)->and($answer['changes'])->toBe('');
})->with([
    'before its material' => [['start' => boardMinute(4, 8)], 'ROD is there only Thu 5 Mar 00:00'],
    'while it is closed' => [['start' => boardMinute(6, 15)], 'BENCH is closed then; it opens Mon 9 Mar 06:00'],
    'before the plan begins' => [['of' => 'order:M2', 'start' => boardMinute(1, 8)], 'nothing starts before Mon 2 Mar 00:00'],
    'behind the horizon' => [['start' => boardMinute(2, 8) + 1440 * 400], 'the plan ends on'],
    'where it is not done' => [['centre' => 'SAW', 'start' => boardMinute(6, 8)], 'operation 10 cannot be done at SAW'],
    'on too many units' => [['units' => [1, 2], 'start' => boardMinute(6, 8)], 'it takes one unit at once'],
    'before the operation before it' => [['op' => 20, 'centre' => 'OVEN', 'start' => boardMinute(5, 8)], 'operation 10 before it ends only Thu 5 Mar 10:00'],
]);

it('leaves what a person has fixed alone, pushes the rest, swaps, or takes it off', function () {
    $fix = ($this->try)(['of' => 'order:M2', 'start' => boardMinute(6, 6)])->json('changes');
    ($this->draft)($fix)->assertOk();
    expect(($this->try)(['start' => boardMinute(6, 7)])->json('places.0.trouble'))->toBe('M2 is fixed there until Fri 6 Mar 08:00');

    $this->deleteJson('/draft');
    DB::table('order_operations')->delete();
    $loose = ($this->bar)('order:M2', 10);
    $try = fn (string $way) => ($this->try)(['of' => 'order:M1', 'start' => boardMinute(5, 6), 'units' => [1]], $way)->json();
    expect($loose['units'])->toBe([1])->and($loose['start'])->toBe(boardMinute(2, 6));
    $over = ($this->try)(['of' => 'order:M2', 'start' => boardMinute(5, 7), 'units' => [1]], 'swap')->json();
    expect($over['places'][0]['over'])->toBe(['M1 HEAD'])->and(array_column(json_decode($over['changes'], true), 'order'))->toBe(['M2', 'M1']);
    $off = ($this->try)(['of' => 'order:M2', 'start' => boardMinute(5, 7), 'units' => [1]], 'overlap')->json();
    expect(array_column(json_decode($off['changes'], true), 'change'))->toBe(['move_operation', 'take_off_board']);
    ($this->draft)(($this->try)(['of' => 'order:M2', 'start' => boardMinute(5, 7), 'units' => [1]])->json('changes'))->assertOk();
    expect(($this->bar)('order:M2', 10)['start'])->toBe(boardMinute(5, 7))->and(($this->bar)('order:M1', 10)['units'])->toBe([2]);
});

it('lets what a schedule keeps give way to what a person puts there, also where that begins later', function () {
    ($this->draft)(json_encode([[
        'change' => 'move_operation', 'order' => 'M1', 'op' => 10, 'workCentre' => 'BENCH', 'units' => '1', 'start' => '2026-03-05 06:00', 'fixed' => false,
    ]]))->assertOk();
    expect(($this->bar)('order:M1', 10))->toMatchArray(['start' => boardMinute(5, 6), 'units' => [1], 'place' => 'kept']);
    ($this->draft)(($this->try)(['of' => 'order:M2', 'start' => boardMinute(5, 7), 'units' => [1]])->json('changes'))->assertOk();
    expect(($this->bar)('order:M2', 10))->toMatchArray(['start' => boardMinute(5, 7), 'units' => [1], 'place' => 'hand'])
        ->and(($this->bar)('order:M1', 10))->toMatchArray(['units' => [2], 'place' => 'loose']);
});

it('makes one order of a proposal of which several operations are placed', function () {
    ($this->draft)('[{"change":"change_sales_line","order":"S1","line":"1","due":"2026-03-13"}]')->assertOk();
    $board = ($this->board)();
    $proposed = collect($board['orders'])->firstWhere('state', 'proposed');
    $bars = collect($board['bars'])->filter(fn ($bar) => $board['orders'][$bar['order']]['of'] === $proposed['of']);
    $moves = $bars->map(fn ($bar) => [
        'of' => $proposed['of'], 'op' => $bar['op'], 'centre' => $board['centres'][$bar['centre']]['code'], 'units' => $bar['units'], 'start' => $bar['start'],
    ])->values()->all();
    $try = $this->postJson('/board/place', ['way' => 'push', 'moves' => $moves])->assertOk()->json();
    expect(array_column(json_decode($try['changes'], true), 'change'))->toBe(['put_order', 'move_operation', 'move_operation']);
    ($this->draft)($try['changes'])->assertOk();
    expect(collect(($this->board)()['orders'])->firstWhere('of', 'order:new:1'))->toMatchArray(['isDrafted' => true, 'isPlaced' => true]);
});

it('lets only the first of two who move the same bar write it', function () {
    $version = fn (string $role) => Draft::of(Demo::user($role))->version;
    foreach (['scheduler' => 6, 'planner' => 9] as $role => $day) {
        $this->actingAs(Demo::user($role));
        ($this->draft)(($this->try)(['start' => boardMinute($day, 7)])->json('changes'))->assertOk();
    }
    $commit = fn (string $role) => $this->actingAs(Demo::user($role))
        ->postJson('/draft/commit', ['version' => $version($role), 'key' => bin2hex(random_bytes(10))]);
    $commit('planner')->assertOk();
    expect($commit('scheduler')->assertStatus(422)->json('message'))->toContain('has been changed meanwhile')
        ->and(DB::table('order_operations')->where('op', 10)->value('start_instant'))->toBe('2026-03-09 07:00');
});

it('tells when somebody has changed what it shows', function () {
    $stamp = ($this->board)()['stamp'];
    expect($this->getJson('/board/look')->assertOk()->json('stamp'))->toBe($stamp);
    $this->actingAs(Demo::user('planner'));
    $this->postJson('/draft/lines', ['changes' => [['change' => 'start_not_before', 'order' => 'M1', 'day' => '2026-03-09']]])->assertOk();
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('planner'))->version, 'key' => bin2hex(random_bytes(10))])->assertOk();
    expect($this->getJson('/board/look')->json('stamp'))->not->toBe($stamp);
});

it('lists what runs next at a centre, on the screen and on paper', function () {
    $this->get('/worklist?centre=BENCH')->assertOk()->assertInertia(fn ($page) => $page->where('centre', 'BENCH')->has('centres', 3));
    $list = $this->getJson('/worklist/rows?centre=BENCH')->assertOk()->json();
    expect($list['rows'][0])->toMatchArray(['code' => 'M2', 'op' => 10, 'start' => boardMinute(2, 6), 'until' => null, 'qty' => '4'])
        ->and(collect($list['rows'])->firstWhere('code', 'M1'))->toMatchArray(['until' => '2026-03-05', 'missing' => ['ROD']]);
    expect($list['rows'][0]['parts'])->toBe([['line' => '10', 'item' => 'GLUE', 'name' => 'Glue']])
        ->and($this->getJson('/worklist/rows?centre=OVEN')->json('rows.0.parts'))->toBe([]);
    $paper = $this->get('/worklist.pdf?centre=BENCH')->assertOk();
    expect($paper->headers->get('content-type'))->toBe('application/pdf')->and(substr((string) $paper->getContent(), 0, 5))->toBe('%PDF-');
    $this->getJson('/worklist.pdf?centre=NONE')->assertStatus(422);
});

it('takes what a person of the floor reports, which moves the schedule and nothing else', function () {
    $this->actingAs(Demo::user('floor'));
    $report = fn (array $more = []) => $this->postJson('/worklist/report', [...[
        'order' => 'M2', 'op' => 10, 'done' => '1', 'scrap' => '0', 'reason' => '', 'minutes' => 20, 'note' => '', 'key' => bin2hex(random_bytes(10)),
    ], ...$more]);
    $this->travelTo('2026-03-02 09:00');
    expect($report()->assertOk()->json('message'))->toBe('Operation 10 of M2 at BENCH: 1 pc done');
    $row = DB::table('order_operations as w')->join('order_lines as l', 'l.id', '=', 'w.order_line_id')->where('l.code', 'M2')->where('w.op', 10)->first();
    expect((int) $row->done)->toBe(1_000_000)->and($row->start_instant)->toBe('2026-03-02 09:00')
        ->and(($this->bar)('order:M2', 10))->toMatchArray(['start' => boardMinute(2, 9), 'end' => boardMinute(2, 10, 30), 'done' => '1']);
    $key = ['key' => bin2hex(random_bytes(10)), 'scrap' => '1', 'reason' => 'cracked'];
    $report($key)->assertOk();
    $report($key)->assertOk(); // pressed twice
    expect(DB::table('work_reports')->count())->toBe(2)->and((int) DB::table('work_reports')->sum('done'))->toBe(2_000_000);
    expect($this->getJson('/worklist/rows?centre=BENCH')->json('rows.0.remarks'))->toBe(['1 scrapped: cracked']);

    $before = DB::table('order_operations')->get()->toJson();
    $report(['done' => '3'])->assertStatus(422)->assertJsonPath('message', 'Operation 10 of M2 has only 2 pc left to be done. Nothing was written.');
    $report(['done' => '-1'])->assertStatus(422);
    $report(['done' => '0.5'])->assertStatus(422);
    $report(['scrap' => '1'])->assertStatus(422)->assertJsonPath('reason', 'reason');
    $report(['order' => 'P1'])->assertStatus(422);
    $report(['order' => 'NONE'])->assertStatus(422)->assertJsonPath('reason', 'over');
    $report(['op' => 77])->assertStatus(422);
    expect(DB::table('order_operations')->get()->toJson())->toBe($before);

    // and nothing else
    $this->postJson('/missing', ['order' => 'M1', 'line' => '10', 'until' => '2026-03-25', 'note' => 'none in the rack'])->assertOk();
    ($this->draft)('[{"change":"take_off_board","order":"M2"}]')->assertStatus(403);
    $this->postJson('/runs')->assertStatus(403);
    $report(['done' => '2'])->assertOk();
    expect(($this->bar)('order:M2', 10))->toBeNull();
    DB::table('orders')->where('code', 'M2')->update(['status' => 'done']);
    $report()->assertStatus(422)->assertJsonPath('reason', 'over');
});

it('brings an order sooner by what it works out, which the board then shows', function () {
    $ways = fn (string $of) => array_map(fn (string $line) => json_decode($line, true), array_filter(explode(
        "\n", $this->get('/board/ways?'.http_build_query(['of' => $of]))->assertOk()->streamedContent(),
    )));
    // put by hand behind the day of the customer
    $put = ($this->try)(['start' => boardMinute(26, 6)])->assertOk()->json();
    ($this->draft)($put['changes'])->assertOk();
    expect($this->getJson('/board/pick?of=order:M1')->json('order.late'))->toBeGreaterThan(0);
    $anew = collect($ways('order:M1'))->firstWhere('row.kind', 'let_go');
    expect($anew['row'])->toMatchArray(['title' => 'Place M1 anew', 'solves' => true, 'expected' => '2026-03-05', 'hurt' => []])
        ->and(collect($anew['row']['figures'])->firstWhere('name', 'lateDays'))->toMatchArray(['before' => '2', 'after' => '0']);
    ($this->draft)($anew['row']['changes'])->assertOk();
    expect(($this->bar)('order:M1', 10))->toMatchArray(['start' => boardMinute(5, 6), 'place' => 'loose']);

    $this->get('/board/ways')->assertStatus(302);
    expect($ways('order:NONE'))->toBe([])->and(DB::table('order_operations')->count())->toBe(0);
});
