<?php

declare(strict_types=1);

use App\Actions\KeepPerson;
use App\Models\User;
use App\Support\Refused;
use App\Support\Settings;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

beforeEach(function () {
    (new DemoSeeder)->run();
    $this->actingAs(Demo::user('administrator'));
    $this->seen = fn () => $this->get('/company')->assertOk()->inertiaPage()['props']['values'];
    $this->save = fn (array $values, ?array $seen = null) => $this->postJson('/company', ['values' => $values, 'seen' => $seen ?? ($this->seen)()]);
    $this->keep = fn (array $more) => $this->postJson('/people', ['email' => 'new@marrowby.example', 'name' => 'Orla Quist', 'role' => 'buyer', ...$more]);
});

it('writes settings with each change in the journal', function () {
    ($this->save)(['overPercent' => 15, 'belowZero' => true, 'address' => "1 Mill Lane\nOskerby"])->assertOk();
    expect(Settings::get(Settings::OVER_PERCENT))->toBe(15)->and(Settings::get(Settings::BELOW_ZERO))->toBeTrue()
        ->and(Settings::company()['address'])->toBe("1 Mill Lane\nOskerby")->and(Settings::get(Settings::HOLD_ON_RELEASE))->toBeTrue()
        ->and(Activity::query()->latest('id')->value('description'))->toContain('10 to 15')->toContain('no to yes')->toContain('1 Mill Lane, Oskerby');
});

it('says what costs and prices are in', function () {
    ($this->save)(['currency' => 'SEK'])->assertOk();
    expect($this->get('/costs')->inertiaPage()['props']['currency'])->toBe('SEK')->and(($this->seen)()['currency'])->toBe('SEK');
    foreach (['euro', 'sek', 'SE', "SEK\n<b>"] as $wrong) {
        ($this->save)(['currency' => $wrong])->assertStatus(422);
    }
    ($this->save)(['currency' => ''])->assertOk();
    expect(Settings::currency())->toBe('');
});

it('takes an address away again', function () {
    ($this->save)(['address' => ''])->assertOk();
    expect(Settings::company()['address'])->toBe('');
});

it('refuses what makes no sense, what nobody changed, and what somebody else has changed meanwhile', function () {
    ($this->save)(['overPercent' => 101])->assertStatus(422)->assertJsonPath('reason', 'percent');
    ($this->save)(['overPercent' => -1])->assertStatus(422)->assertJsonPath('reason', 'percent');
    ($this->save)(['overPercent' => 'many'])->assertStatus(422);
    ($this->save)([['overPercent']])->assertStatus(422)->assertJsonPath('reason', 'none');
    ($this->save)(['overPercent' => 10])->assertStatus(422)->assertJsonPath('reason', 'none');
    $seen = ($this->seen)();
    ($this->save)(['overPercent' => 12])->assertOk();
    expect(($this->save)(['overPercent' => 20], $seen)->assertStatus(422)->assertJsonPath('reason', 'stale')->json('message'))->toContain('12');
    ($this->save)(['name' => 'Marrowby'], $seen)->assertOk(); // what they did not touch is not in the way
    expect(Settings::get(Settings::OVER_PERCENT))->toBe(12);
});

it('is for an administrator alone', function (string $role) {
    $this->actingAs(Demo::user($role));
    $this->get('/company')->assertForbidden();
    $this->get('/people')->assertForbidden();
    ($this->save)(['overPercent' => 5], ['overPercent' => 10])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    ($this->keep)([])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->postJson('/people/password', ['email' => 'rufus@marrowby.example'])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    $this->postJson('/people/retire', ['email' => 'rufus@marrowby.example'])->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    expect(User::query()->where('email', 'new@marrowby.example')->exists())->toBeFalse();
})->with(['planner', 'viewer', 'stores']);

it('adds somebody with a password that is told once, and changes the role of who is there', function () {
    $password = ($this->keep)([])->assertOk()->json('password');
    $person = User::query()->where('email', 'new@marrowby.example')->firstOrFail();
    expect(Hash::check($password, $person->password))->toBeTrue()->and($person->hasRole('buyer'))->toBeTrue()
        ->and(Activity::query()->where('description', 'like', "%{$password}%")->exists())->toBeFalse();
    DB::table('sessions')->insert(['id' => 'one', 'user_id' => $person->id, 'payload' => '', 'last_activity' => now()->timestamp]);
    expect(($this->keep)(['role' => 'planner'])->assertOk()->json('password'))->toBeNull();
    expect($person->fresh()->getRoleNames()->all())->toBe(['planner'])->and(DB::table('sessions')->where('user_id', $person->id)->exists())->toBeFalse()
        ->and(Hash::check($password, $person->fresh()->password))->toBeTrue();
    ($this->keep)(['role' => 'king'])->assertStatus(422)->assertJsonPath('reason', 'role');
    ($this->keep)(['email' => 'no address'])->assertStatus(422);
});

it('gives a new password, and takes the way in with all sessions, but never of the last who keeps the others', function () {
    $old = Demo::user('buyer');
    $password = $this->postJson('/people/password', ['email' => $old->email])->assertOk()->json('password');
    expect(Hash::check($password, $old->fresh()->password))->toBeTrue();
    DB::table('sessions')->insert(['id' => 'two', 'user_id' => $old->id, 'payload' => '', 'last_activity' => now()->timestamp]);
    $this->postJson('/people/retire', ['email' => $old->email])->assertOk();
    expect($old->fresh()->retired_at)->not->toBeNull()->and(DB::table('sessions')->where('user_id', $old->id)->exists())->toBeFalse();
    $this->postJson('/people/retire', ['email' => $old->email])->assertStatus(422)->assertJsonPath('reason', 'gone');
    $this->get('/people')->assertInertia(fn ($page) => $page->component('People')
        ->where('people', fn ($people) => collect($people)->last()['email'] === $old->email && collect($people)->last()['retiredAt'] !== null));
    // back again
    ($this->keep)(['email' => $old->email, 'name' => $old->name])->assertOk()->assertJsonPath('password', fn ($made) => is_string($made));

    $self = Demo::user('administrator');
    $this->postJson('/people/retire', ['email' => $self->email])->assertStatus(422)->assertJsonPath('reason', 'oneself');
    ($this->keep)(['email' => $self->email, 'name' => $self->name, 'role' => 'planner'])->assertStatus(422)->assertJsonPath('reason', 'last');
    expect($self->fresh()->hasRole('administrator'))->toBeTrue();
    ($this->keep)(['role' => 'administrator'])->assertOk();
    ($this->keep)(['email' => $self->email, 'name' => $self->name, 'role' => 'planner'])->assertOk();
    expect(fn () => app(KeepPerson::class)('new@marrowby.example', 'Orla Quist', 'viewer', null))->toThrow(Refused::class);
});

it('shows where one is signed in, and ends it elsewhere', function () {
    $self = Demo::user('administrator');
    DB::table('sessions')->insert(['id' => 'far', 'user_id' => $self->id, 'ip_address' => '192.0.2.7', 'user_agent' => 'Another', 'payload' => '', 'last_activity' => now()->timestamp]);
    $this->get('/account')->assertInertia(fn ($page) => $page->where('sessions', fn ($sessions) => collect($sessions)->contains('where', '192.0.2.7')));
    $this->deleteJson('/account/sessions')->assertOk();
    expect(DB::table('sessions')->where('id', 'far')->exists())->toBeFalse();
});

it('sets no limit on a process that goes on behind the answer', function () {
    $before = ini_get('max_execution_time');
    $this->actingAs(Demo::user('administrator'))->postJson('/company/demo')->assertOk();
    $this->actingAs(Demo::user('administrator'))->deleteJson('/company/demo')->assertOk();

    expect(ini_get('max_execution_time'))->toBe($before);
});

it('lets a new site begin with the calendar of the company', function () {
    Demo::planned();
    $this->actingAs(Demo::user('administrator'));
    ($this->save)(['calendar' => 'NONE'])->assertStatus(422)->assertJsonPath('message', 'There is no calendar NONE. Nothing was changed.');
    ($this->save)(['calendar' => 'DELTA'])->assertOk();
    $fields = $this->get('/data?kind=sites')->inertiaPage()['props']['kind']['fields'];
    expect(collect($fields)->firstWhere('name', 'calendar')['usual'])->toBe('DELTA');
    $bring = fn (string $text, int $new) => $this->postJson('/data/bring', ['kind' => 'sites', 'text' => $text, 'new' => $new, 'changed' => 0, 'key' => freshKey()]);
    $bring("site\tname\nQUAY\tQuay\n", 1)->assertOk();
    $bring("site\tname\tcalendar\nPIER\tPier\t\n", 1)->assertOk(); // which says that every day works
    expect(DB::table('sites')->where('code', 'QUAY')->value('calendar_code'))->toBe('DELTA')
        ->and(DB::table('sites')->where('code', 'PIER')->value('calendar_code'))->toBeNull();
    DB::table('settings')->where('key', Settings::CALENDAR)->update(['value' => '"GONE"']);
    expect(Settings::calendar())->toBe('');
});
