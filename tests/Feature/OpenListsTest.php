<?php

declare(strict_types=1);

use App\Actions\FeedCalendar;
use Illuminate\Support\Facades\DB;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('buyer'));
    $this->list = fn (string $query) => $this->getJson("/order-rows?{$query}")->assertOk()->json();
});

it('puts orders under their supplier, site, state or week, each in its order, and loses none', function (string $by, Closure $expected) {
    $all = array_column(($this->list)('status=all')['rows'], 'code');
    $rows = ($this->list)("status=all&by={$by}")['rows'];
    expect(array_column($rows, 'code'))->toEqualCanonicalizing($all);
    $groups = array_column($rows, 'group');
    $seen = array_values(array_unique($groups));
    if ($by !== 'week') { // weeks come as the list does, by day
        $begins = fn (string $group, int $place) => $place === 0 || $groups[$place - 1] !== $group;
        expect(array_values(array_filter($groups, $begins, ARRAY_FILTER_USE_BOTH)))->toBe($seen); // each group stands in one piece
    }
    foreach ($rows as $row) {
        expect($row['group'])->toBe($expected($row));
    }
})->with([
    ['supplier', fn (array $row) => $row['supplier'] ?? 'made here or moved'],
    ['site', fn (array $row) => $row['site']],
    ['state', fn (array $row) => $row['status']],
    ['week', fn (array $row) => date('Y-m-d', strtotime('monday this week', strtotime($row['due'])))],
]);

it('has what is overdue, what is only asked for, what is not confirmed, and the open lines of each', function () {
    DB::table('order_lines')->where('code', 'P-3311')->update(['due' => '2026-02-20']);
    $late = ($this->list)('late=1')['rows'];
    $expected = DB::table('order_lines as l')->join('orders as o', 'o.id', 'l.order_id')->whereNotIn('o.status', ['done', 'cancelled'])
        ->where('l.due', '<', '2026-03-02')->whereColumn('l.received', '<', 'l.qty')->pluck('o.code')->all();
    expect(array_column($late, 'code'))->toEqualCanonicalizing($expected)->toContain('P-3311');
    $row = $late[(int) array_search('P-3311', array_column($late, 'code'), true)];
    expect($row['open'])->toBe([['code' => 'P-3311', 'qty' => '14', 'received' => '0', 'due' => '2026-02-20']]);
    DB::table('orders')->where('code', 'P-3311')->update(['status' => 'firm', 'is_request' => true]);
    expect(array_column(($this->list)('status=request')['rows'], 'code'))->toBe(['P-3311'])
        ->and(($this->list)('status=request')['rows'][0]['stage'])->toBe('request')
        ->and(array_column(($this->list)('status=firm&kind=buy')['rows'], 'code'))->not->toContain('P-3311');
    $open = ($this->list)('status=unconfirmed')['total'];
    DB::table('order_lines')->where('code', 'P-3308')->update(['confirmed_at' => now(), 'confirmed_qty' => 1, 'confirmed_due' => '2026-03-10']);
    expect(($this->list)('status=unconfirmed')['total'])->toBe($open - 1);
});

it('keeps views of every list that offers them, each person their own', function (string $view, string $path) {
    $this->postJson('/views', ['page' => $view, 'name' => 'Mine', 'query' => 'q=P-33'])->assertOk()->assertJsonPath('views.0.name', 'Mine');
    $this->get($path)->assertInertia(fn ($page) => $page->where('views.0.query', 'q=P-33'));
    $this->actingAs(Demo::user('planner'))->get($path)->assertInertia(fn ($page) => $page->where('views', []));
    $this->actingAs(Demo::user('buyer'))->deleteJson('/views', ['page' => $view, 'name' => 'Mine'])->assertJsonPath('views', []);
    $this->postJson('/views', ['page' => 'anything', 'name' => 'Mine', 'query' => ''])->assertStatus(422);
})->with(fn () => array_map(fn (string $view) => [$view, $view === 'sales' ? '/demand' : "/{$view}"], App\Reading\SavedViews::PAGES));

it('tells calendars what is due under a secret address, which can be made anew and withdrawn', function () {
    $address = $this->postJson('/account/calendar')->assertOk()->json('address');
    $path = (string) parse_url($address, PHP_URL_PATH);
    expect(DB::table('users')->where('email', 'lena@marrowby.example')->value('calendar_digest'))->not->toContain(basename($path, '.ics'));
    $read = function (string $path): VCalendar {
        $answer = $this->get($path)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8');
        $calendar = Reader::read((string) $answer->getContent());
        assert($calendar instanceof VCalendar);

        return $calendar;
    };
    auth()->logout();
    $calendar = $read($path);
    expect($calendar->validate())->toBe([]);
    $told = [];
    foreach ($calendar->select('VEVENT') as $event) {
        $told[(string) $event->UID] = [(string) $event->SUMMARY, (string) $event->DTSTART];
    }
    $open = DB::table('order_lines as l')->join('orders as o', 'o.id', 'l.order_id')->whereNotIn('o.status', ['done', 'cancelled'])
        ->whereColumn('l.received', '<', 'l.qty')->where('l.due', '>=', '2026-01-01')->count();
    $sales = DB::table('sales_lines')->whereColumn('shipped', '<', 'qty')->where('due', '>=', '2026-01-01')->count();
    expect($told)->toHaveCount($open + $sales)->toHaveKey('buy-P-3311@yposta')
        ->and($told['buy-P-3311@yposta'])->toBe(['P-3311: 14 pcs RM-31, Caldero Microwave', '20260313']);
    expect(count($read("{$path}?kinds=make,nonsense")->select('VEVENT')))
        ->toBe(DB::table('orders')->where('kind', 'make')->whereNotIn('status', ['done', 'cancelled'])->count());
    // made anew, the old one holds no longer; withdrawn, none does; nor does that of somebody who has left
    $this->actingAs(Demo::user('buyer'));
    $other = (string) parse_url($this->postJson('/account/calendar')->json('address'), PHP_URL_PATH);
    $this->get($path)->assertNotFound();
    $this->get($other)->assertOk();
    $this->deleteJson('/account/calendar')->assertOk();
    $this->get($other)->assertNotFound();
    $left = app(FeedCalendar::class)->give(Demo::user('buyer'));
    DB::table('users')->where('email', 'lena@marrowby.example')->update(['retired_at' => now()]);
    auth()->logout();
    $this->get("/due/{$left}.ics")->assertNotFound();
    $this->get('/due/short.ics')->assertNotFound();
});
