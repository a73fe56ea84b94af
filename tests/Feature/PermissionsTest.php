<?php

declare(strict_types=1);

use App\Models\Order;
use App\Models\Run;
use App\Support\Roles;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

beforeEach(fn () => Demo::of(dirname(__DIR__).'/cases/worked'));

/** The outcome of each guarded action for a role: 200 allowed, 403 or a refusal. */
it('lets each role do what it may and nothing else', function (string $role) {
    $may = Roles::OF[$role];
    $runs = Run::query()->count();
    $this->actingAs(Demo::user($role));

    $this->postJson(
        '/demand/forecast',
        ['forecast' => 'F', 'item' => 'HEAD', 'site' => 'MAIN', 'start' => '2026-03-02', 'qty' => '1', 'version' => 0],
    )
        ->assertStatus(in_array(Roles::FORECAST, $may, true) ? 422 : 403);

    foreach (['make' => Roles::MAKE, 'buy' => Roles::BUY] as $kind => $permission) {
        $number = (int) DB::table('plan_supplies')->where('kind', 'proposal')->where('type', $kind)->where('run_id', Run::live()->id)
            ->value('name');
        $answer = $this->postJson(
            '/proposals/convert',
            ['run' => Run::live()->id, 'key' => "a key of {$kind} and {$role}", 'lines' => [['number' => $number]]],
        );
        in_array($permission, $may, true) ? $answer->assertOk() : $answer->assertStatus(422)->assertJsonPath('reason', 'forbidden');
    }
    expect(Order::query()->where('kind', 'make')->count())->toBe((int) in_array(Roles::MAKE, $may, true))
        ->and(Order::query()->where('kind', 'buy')->count())->toBe((int) in_array(Roles::BUY, $may, true));

    $this->postJson('/runs', [])->assertStatus(in_array(Roles::RUN, $may, true) ? 200 : 403);
    expect(Run::query()->count())->toBe($runs + (int) in_array(Roles::RUN, $may, true));
})->with(array_keys(Roles::OF));

it('lets everyone who is signed in look', function (string $role) {
    $this->actingAs(Demo::user($role));
    foreach (['/', '/demand', '/demand?view=forecast', '/plan', '/item?item=ROD', '/proposals', '/orders'] as $path) {
        $this->get($path)->assertOk();
    }
})->with(['viewer', 'buyer']);
