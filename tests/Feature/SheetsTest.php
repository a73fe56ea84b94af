<?php

declare(strict_types=1);

use App\Models\Item;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Tests\Support;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('viewer'));
});

/** @return list<array<string, string>> */
function sheet(string $path): array
{
    return Support::parse(test()->get($path)->assertOk()->streamedContent());
}

it('gives every proposal, or those on screen', function () {
    $rows = sheet('/sheets/proposals.csv');
    $due = sheet('/sheets/proposals.csv?until=2026-03-02&q=GAS');

    expect($rows)->toHaveCount(Run::live()->summary['proposals'])->and(array_unique(array_column($due, 'item')))->toBe(['GAS-14'])
        ->and($due[0])->toMatchArray(['supplier' => 'OSTREL', 'qty' => '100', 'unit' => 'pcs', 'start' => '2026-02-24', 'wanted' => '2026-03-04', 'due' => '2026-03-10', 'currency' => 'EUR']);
});

it('gives the plan as it is filtered, by the periods on screen', function () {
    $rows = sheet('/sheets/plan.csv?bucket=month&sort=code&q=sh-');
    $page = $this->getJson('/plan/rows?bucket=month&sort=code&q=sh-')->json('rows');

    expect(array_column($rows, 'item'))->toBe(array_column($page, 'item'))->and($rows[0]['2026-04-01'])->toBe($page[0]['cells'][1]['balance'])
        ->and(sheet('/sheets/plan.csv'))->toHaveCount(DB::table('plan_points')->count());
});

it('gives messages and the flow of an item', function () {
    $flow = sheet('/sheets/flow.csv?item=SH-41&at=OSK');

    expect(sheet('/sheets/messages.csv'))->toHaveCount(array_sum(Run::live()->summary['messages']))->and($flow[0])->toMatchArray(['kind' => 'stock', 'balance' => '10']);
    $this->get('/sheets/flow.csv?item=GHOST&at=OSK')->assertNotFound();
    $this->get('/sheets/secrets.csv')->assertNotFound();
    $this->get('/sheets/plan.exe')->assertNotFound();
});

it('keeps a name that looks like a formula from being one', function () {
    Item::query()->whereKey('GAS-14')->update(['name' => '=HYPERLINK("x")']);

    expect(sheet('/sheets/proposals.csv?q=GAS-14')[0]['name'])->toBe("'=HYPERLINK(\"x\")");
});

it('shuts strangers out', function () {
    auth()->logout();
    $this->get('/sheets/plan.csv')->assertRedirect('/sign-in');
});
