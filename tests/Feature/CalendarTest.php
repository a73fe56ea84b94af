<?php

declare(strict_types=1);

use App\Intake\HolidayFile;
use App\Models\Draft;
use App\Support\Refused;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Sabre\VObject\Reader;
use Tests\Demo;
use Yposta\Core\Calendar\Day;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->code = (string) DB::table('sites')->where('code', 'OSK')->value('calendar_code');
    $this->year = fn (int $year = 2026) => $this->getJson("/calendar/year?code={$this->code}&year={$year}")->assertOk()->json();
    $this->day = fn (string $day) => collect(array_merge(...($this->year)((int) substr($day, 0, 4))['months']))->firstWhere('day', $day);
    $this->draft = fn (string $kind, array $rows, array $removed = []) => $this->postJson(
        '/draft/lines', ['changes' => [['change' => 'put_rows', 'kind' => $kind, 'rows' => $rows, 'removed' => $removed]], 'title' => 'x'],
    );
    $this->look = fn (string $ics) => $this->post('/calendar/look', [
        'code' => $this->code, 'year' => 2026, 'file' => UploadedFile::fake()->createWithContent('days.ics', $ics),
    ], ['Accept' => 'application/json']);
});

/** An iCalendar of some events, each given by its lines. */
function icsOf(string ...$events): string
{
    $text = implode('', array_map(fn (string $event) => "BEGIN:VEVENT\nUID:".md5($event)."\nDTSTAMP:20260101T000000Z\n{$event}\nEND:VEVENT\n", $events));

    return "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:-//x//EN\n{$text}END:VCALENDAR\n";
}

it('shows each day of a year as it is worked', function (int $year, int $days) {
    $seen = ($this->year)($year);
    $all = array_merge(...$seen['months']);
    $special = DB::table('calendar_days')->where('calendar_code', $this->code)->pluck('works', 'date')
        ->mapWithKeys(fn ($works, $date) => [substr($date, 0, 10) => (bool) $works])->all();
    foreach ($all as $day) {
        expect($day['works'])->toBe($special[$day['day']] ?? str_contains($seen['weekdays'], date('N', strtotime($day['day']))))
            ->and($day['isSpecial'])->toBe(isset($special[$day['day']]))->and($day['isDrafted'])->toBeFalse();
    }
    expect(count($all))->toBe($days)->and(count($seen['months']))->toBe(12)
        ->and($seen['workingDays'])->toBe(count(array_filter($all, fn (array $day) => $day['works'])))->and($seen['usedBy'])->toContain('Oskerby plant');
})->with([[2026, 365], [2028, 366]]);

it('shows what is drafted of it, and writes that', function () {
    ($this->draft)('calendar_days', [['calendar' => $this->code, 'date' => '2026-07-15', 'works' => false, 'note' => 'Stocktaking']])->assertOk();
    $special = DB::table('calendar_days')->where('calendar_code', $this->code)->whereYear('date', 2026)->value('date');
    ($this->draft)('calendar_days', [], [[$this->code, substr((string) $special, 0, 10)]])->assertOk();
    ($this->draft)('calendars', [['code' => $this->code, 'weekdays' => '123456']])->assertOk();
    expect(($this->day)('2026-07-15'))->toMatchArray(['works' => false, 'isSpecial' => true, 'note' => 'Stocktaking', 'isDrafted' => true])
        ->and(($this->day)(substr((string) $special, 0, 10))['isSpecial'])->toBeFalse()
        ->and(($this->day)('2026-07-18'))->toMatchArray(['works' => true, 'isDrafted' => true])
        ->and(($this->draft)('calendars', [['code' => $this->code, 'weekdays' => '']])->assertStatus(422)->json('message'))->not->toBe('');
    $this->postJson('/draft/commit', ['version' => Draft::of(Demo::user('planner'))->version, 'key' => freshKey()])->assertOk();
    expect(($this->day)('2026-07-15')['isDrafted'])->toBeFalse()
        ->and(DB::table('calendars')->where('code', $this->code)->value('weekdays'))->toBe('123456');
    $this->get('/calendar?code=NO-SUCH')->assertNotFound();
});

it('takes days off from an iCalendar file: of several days, recurring, with names; what is of some hours is left out', function () {
    $seen = ($this->look)(icsOf(
        "SUMMARY:Summer break\nDTSTART;VALUE=DATE:20260810\nDTEND;VALUE=DATE:20260815",
        "SUMMARY:Founders\\, day\nDTSTART;VALUE=DATE:20200917\nRRULE:FREQ=YEARLY",
        "SUMMARY:A Sunday\nDTSTART;VALUE=DATE:20260906",
        "SUMMARY:Meeting\nDTSTART;TZID=Europe/Paris:20260902T090000\nDTEND;TZID=Europe/Paris:20260902T100000",
    ))->assertOk()->json();
    $days = array_column($seen['some'], 'what', 'row');
    expect($days)->toMatchArray(['2026-08-10' => 'Summer break', '2026-08-14' => 'Summer break', '2026-09-17' => 'Founders, day', '2027-09-17' => 'Founders, day'])
        ->not->toHaveKey('2026-08-15')->not->toHaveKey('2026-09-06')->not->toHaveKey('2026-09-02')
        ->and($seen['partial'])->toBe(1)->and($seen['same'])->toBeGreaterThan(0);
    $this->postJson('/draft/lines', ['changes' => [json_decode($seen['change'], true)], 'title' => 'x'])->assertOk();
    expect(($this->day)('2026-08-12'))->toMatchArray(['works' => false, 'note' => 'Summer break'])
        ->and(($this->look)(icsOf("SUMMARY:Summer break\nDTSTART;VALUE=DATE:20260810\nDTEND;VALUE=DATE:20260815"))->json('new'))->toBe(0);
});

it('takes of an event only the years that are wanted, and leaves out what recurs within a day', function () {
    $file = HolidayFile::read(icsOf("SUMMARY:x\nDTSTART;VALUE=DATE:20000101\nDTEND;VALUE=DATE:20260103", 'DTSTART;VALUE=DATE:15000101', "DTSTART:20260101T000000Z\nRRULE:FREQ=SECONDLY"), 2026, 2026);
    expect(array_keys($file->days))->toBe([Day::parse('2026-01-01'), Day::parse('2026-01-02')])->and($file->partial)->toBe(1);
});

it('gives its special days as an iCalendar that it reads again without a difference', function () {
    $ics = $this->get('/calendar/'.rawurlencode($this->code).'.ics')->assertOk()->getContent();
    $closed = DB::table('calendar_days')->where(['calendar_code' => $this->code, 'works' => false])->pluck('date')->map(fn ($date) => substr($date, 0, 10))->sort()->values();
    expect(count(Reader::read($ics)->select('VEVENT')))->toBe(DB::table('calendar_days')->where('calendar_code', $this->code)->count())
        ->and($closed->count())->toBeGreaterThan(0);
});

it('refuses what is no iCalendar, or holds too much', function (Closure $text, string $why) {
    $say = '';
    try {
        HolidayFile::read($text(), 2025, 2029);
    } catch (Refused $refused) {
        $say = $refused->sentence();
    }
    expect($say)->toContain($why);
})->with([
    'nothing' => [fn () => '', 'no iCalendar'],
    'a table' => [fn () => "item,name\nA,B\n", 'no iCalendar'],
    'a card' => [fn () => "BEGIN:VCARD\nVERSION:4.0\nFN:X\nEND:VCARD\n", 'no iCalendar'],
    'half of one' => [fn () => "BEGIN:VCALENDAR\nBEGIN:VEVENT\nSUMMARY:x\n", 'no iCalendar'],
    'every day for ever, from long ago' => [fn () => icsOf("DTSTART;VALUE=DATE:18000101\nRRULE:FREQ=DAILY"), 'more than'],
    'too many that recur' => [
        fn () => icsOf(...array_map(fn (int $n) => "SUMMARY:{$n}\nDTSTART;VALUE=DATE:20250101\nRRULE:FREQ=DAILY", range(1, 201))), 'more than',
    ],
    'a rule that is none' => [fn () => icsOf("DTSTART;VALUE=DATE:20250101\nRRULE:FREQ=SOMETIMES"), 'no iCalendar'],
    'too many bytes' => [fn () => str_repeat('x', HolidayFile::MOST_BYTES + 1), 'too large'],
]);

it('is drafted by those who may, and looked at by all', function () {
    $this->actingAs(Demo::user('viewer'));
    $this->get("/calendar?code={$this->code}")->assertOk();
    ($this->draft)('calendar_days', [['calendar' => $this->code, 'date' => '2026-07-15', 'works' => false]])->assertForbidden();
});
