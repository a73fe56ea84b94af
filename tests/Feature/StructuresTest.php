<?php

declare(strict_types=1);

use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('viewer'));
    $this->page = fn (string $query) => json_decode((string) json_encode($this->get("/structures?{$query}")->assertOk()->viewData('page')['props']), true);
});

it('shows what goes into two items side by side, their costs adding up', function (string $down) {
    $page = ($this->page)("first=WS-400&second=WS-410&down={$down}");
    $sum = fn (string $side) => array_sum(array_column($page['rows'], $side));

    expect($page['rows'])->not->toBe([])->and($sum('firstCost'))->toEqualWithDelta((float) $page['costs'][0], 0.2)
        ->and($sum('secondCost'))->toEqualWithDelta((float) $page['costs'][1], 0.2)
        ->and($page['same'])->toBe(count(array_filter($page['rows'], fn ($row) => $row['first'] === $row['second'])));
    $differ = ($this->page)("first=WS-400&second=WS-410&down={$down}&differ=1");
    expect($differ['rows'])->toHaveCount(count($page['rows']) - $page['same'])->not->toBe([])
        ->and(array_filter($differ['rows'], fn ($row) => $row['isSame']))->toBe([]);
})->with(['own components' => '', 'down to what is bought' => '1']);

it('goes down to what has no components', function () {
    $own = array_column(($this->page)('first=WS-400&second=WS-410')['rows'], 'component');
    $down = array_column(($this->page)('first=WS-400&second=WS-410&down=1')['rows'], 'component');

    expect($own)->toContain('SH-41')->and($down)->not->toContain('SH-41')->and(count($down))->toBeGreaterThan(count($own));
});

it('asks for the other one, and knows what is not there', function () {
    expect(($this->page)('first=WS-400')['rows'])->toBe([])->and(($this->page)('first=WS-400&second=GHOST')['names'][1])->toBe('');
    $this->get('/structures?first=GHOST')->assertNotFound();
    $this->get('/structures')->assertNotFound();
});
