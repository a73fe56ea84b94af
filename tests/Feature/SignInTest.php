<?php

declare(strict_types=1);

use App\Actions\ChangePassword;
use App\Models\User;
use App\Support\Passwords;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Tests\Demo;

beforeEach(fn () => (new DemoSeeder)->run());

it('sends strangers to the sign-in page and answers their background requests with 401', function (string $path) {
    $this->get($path)->assertRedirect('/sign-in');
    $this->getJson($path)->assertUnauthorized();
})->with(['/', '/plan', '/demand', '/proposals', '/orders', '/item?item=X', '/plan/rows', '/search?q=a']);

it('signs in and out', function () {
    $this->post('/sign-in', ['email' => 'Ivo@marrowby.example', 'password' => DemoSeeder::PASSWORD])->assertRedirect('/');
    $this->assertAuthenticatedAs(Demo::user('planner'));
    $this->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('does not say which of address and password was wrong', function (array $given) {
    $this->post('/sign-in', $given)->assertSessionHasErrors(['email' => 'This address and password do not belong together.']);
    $this->assertGuest();
})->with([
    [['email' => 'ivo@marrowby.example', 'password' => 'wrong']],
    [['email' => 'nobody@marrowby.example', 'password' => DemoSeeder::PASSWORD]],
]);

it('slows down someone who guesses', function () {
    for ($times = 0; $times < 5; $times++) {
        $this->post('/sign-in', ['email' => 'ivo@marrowby.example', 'password' => 'wrong'])->assertRedirect();
    }

    $this->post('/sign-in', ['email' => 'ivo@marrowby.example', 'password' => DemoSeeder::PASSWORD])->assertStatus(429);
});

it('shows the demo accounts in a demo only', function () {
    $this->get('/sign-in')->assertInertia(fn ($page) => $page->component('SignIn')->where('demo', []));
    config(['yposta.demo' => true]);
    $this->get('/sign-in')->assertInertia(fn ($page) => $page->has('demo', 8)->where('demo.0.role', 'planner'));
});

it('keeps passwords hashed and sends headers that shut the page off', function () {
    expect(User::query()->firstOrFail()->password)->not->toContain(DemoSeeder::PASSWORD);
    $this->get('/sign-in')->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Content-Security-Policy');
});

it('shows a page of its own where something is not there', function () {
    $this->get('/nowhere')->assertNotFound()->assertInertia(fn ($page) => $page->component('Trouble')->where('status', 404));
    $this->actingAs(Demo::user('viewer'))->get('/orders/NOPE')->assertNotFound()->assertInertia(fn ($page) => $page->component('Trouble'));
    $this->getJson('/plan/point?item=NOPE')->assertNotFound()->assertJsonMissingPath('component');
});

it('takes another password, and then only that; who is signed in elsewhere is not any more', function () {
    $ivo = Demo::user('planner');
    foreach ([['here', $ivo->id], ['elsewhere', $ivo->id], ['another', Demo::user('buyer')->id]] as [$id, $user]) {
        DB::table('sessions')->insert(['id' => $id, 'user_id' => $user, 'payload' => '', 'last_activity' => time()]);
    }
    $this->actingAs($ivo);
    $change = fn (string $old, string $new) => $this->postJson('/account/password', ['old' => $old, 'new' => $new]);
    $change('wrong', 'four words of mine')->assertStatus(422)->assertJsonPath('reason', 'old');
    $change(DemoSeeder::PASSWORD, DemoSeeder::PASSWORD)->assertStatus(422)->assertJsonPath('reason', 'new');
    $change(DemoSeeder::PASSWORD, 'four words of mine')->assertOk();
    expect(DB::table('sessions')->pluck('id')->all())->toBe(['another'])
        ->and(Hash::check('four words of mine', (string) User::query()->findOrFail($ivo->id)->password))->toBeTrue();
    $change('four words of mine', 'and five words of mine')->assertOk();
    $change('x', 'y');
    $change('x', 'y')->assertStatus(429);
});

it('signs a session out whose password was changed under it', function () {
    $ivo = Demo::user('planner');
    $this->actingAs($ivo)->get('/account')->assertOk();
    $ivo->forceFill(['password' => 'another one that is good'])->save();
    $this->actingAs($ivo->refresh()); // as the guard would find it
    session()->put('password_hash_web', 'of the old one');
    $this->getJson('/account')->assertUnauthorized();
});

it('refuses passwords that are short, common or of one\'s name, and takes long ones whole', function (string $password, ?string $why) {
    $fault = Passwords::fault($password, ['Ivo Marlin', 'ivo@marrowby.example']);
    expect($fault?->code)->toBe($why === null ? null : "refused.password.{$why}");
})->with([
    ['eleven-lett', 'short'], [str_repeat('long ', 201), 'long'], ['password1234', 'common'], ['P@ssw0rd2026!!', 'common'],
    ['123456789012', 'common'], ['qwertyuiop123', 'common'], ['aaaaaaaaaaaaaaaa', 'common'], ['abcabcabcabcabc', 'common'],
    ['ivomarlin2026', 'common'], ['Marrowby-Ivo-1', 'common'], ['SummerSunshine24', 'common'], ['abcdefghijkl', 'common'],
    ['river-and-wind', null], ['correct horse staple', null], ['Überraschung im Mai', null], [str_repeat('my own words ', 20), null],
]);

it('tells long passwords apart to the last letter', function () {
    $long = str_repeat('my own words ', 8);
    $ivo = Demo::user('planner');
    app(ChangePassword::class)->set($ivo, "{$long}one");
    expect(Hash::check("{$long}one", $ivo->password))->toBeTrue()->and(Hash::check("{$long}two", $ivo->password))->toBeFalse();
});

it('takes the way in of who is retired and keeps their name', function () {
    $lena = Demo::user('buyer');
    DB::table('sessions')->insert(['id' => 'hers', 'user_id' => $lena->id, 'payload' => '', 'last_activity' => time()]);
    expect(Artisan::call('yposta:user', ['email' => 'Lena@marrowby.example', '--retire' => true]))->toBe(0)
        ->and(Artisan::call('yposta:user', ['email' => 'nobody@marrowby.example', '--retire' => true]))->toBe(2)
        ->and(DB::table('sessions')->count())->toBe(0)->and(User::query()->findOrFail($lena->id)->name)->toBe('Lena Quist');
    User::query()->whereKey($lena->id)->update(['password' => Hash::make(DemoSeeder::PASSWORD)]);
    $this->post('/sign-in', ['email' => 'lena@marrowby.example', 'password' => DemoSeeder::PASSWORD])->assertSessionHasErrors('email');
    $this->assertGuest();
});
