<?php

declare(strict_types=1);

use App\Models\User;
use Database\Seeders\DemoSeeder;
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
    $this->get('/sign-in')->assertInertia(fn ($page) => $page->has('demo', 6)->where('demo.0.role', 'planner'));
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
