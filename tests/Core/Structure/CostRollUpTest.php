<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Structure\CostPart;
use Yposta\Core\Structure\CostRollUp;

/** @param  array<string, int>  $prices  in whole units of the currency */
function rolled(string $bom, string $items = "A,0\nB,10\nC,4\n", array $prices = [], string $planning = "A,MAIN,make\nB,MAIN,make\nC,MAIN,buy\n"): CostRollUp
{
    $contents = Support::small([
        'items' => "item,unit_cost\n{$items}", 'planning' => "item,site,supply\n{$planning}",
        'bom' => "item,line,component,qty,basis,base_qty,scrap_pct,valid_from,valid_to,site\n{$bom}", 'sites' => "site\nMAIN\nEAST\n",
    ], false);

    return new CostRollUp($contents->network, Day::parse('2026-03-02'), array_map(fn (int $price) => $price * 1_000_000, $prices));
}

it('costs what its components cost, with scrap, level by level', function (string $bom, array $costs, array $prices = []) {
    $roll = rolled($bom, prices: $prices);
    foreach ($costs as $item => $cost) {
        expect($roll->of($item))->toBe((int) round($cost * 1_000_000), $item);
    }
})->with([
    'nothing below: what is known of it' => ['', ['A' => 0, 'B' => 10, 'C' => 4]],
    'two of one and three of another' => ["A,10,B,2,,,,,,\nA,20,C,3,,,,,,\n", ['A' => 32]],
    'through two levels' => ["A,10,B,2,,,,,,\nB,10,C,5,,,,,,\n", ['B' => 20, 'A' => 40]],
    'for a base quantity, with a fifth scrap' => ["A,10,C,10,unit,4,20,,,\n", ['A' => 12.5]],
    'once per order is left out' => ["A,10,B,1,,,,,,\nA,20,C,9,order,,,,,\n", ['A' => 10]],
    'only what is valid on the day' => ["A,10,B,1,,,,,2026-03-01,\nA,20,C,1,,,,2026-03-02,,\n", ['A' => 4]],
    'a line of the site that makes it, and not of another' => ["A,10,C,1,,,,,,MAIN\nA,20,B,1,,,,,,EAST\n", ['A' => 4]],
    'a third to the millionth' => ["A,10,C,1,unit,3,,,,\n", ['A' => 1.333333]],
    'at another price, up to the top' => ["A,10,B,2,,,,,,\nB,10,C,5,,,,,,\n", ['C' => 6, 'B' => 30, 'A' => 60], ['C' => 6]],
    'a price of what is made stands for its components' => ["A,10,B,2,,,,,,\nB,10,C,5,,,,,,\n", ['B' => 7, 'A' => 14], ['B' => 7]],
    'a loop ends at what is known' => ["A,10,B,1,,,,,,\nB,10,A,1,,,,,,\n", ['A' => 0]],
]);

it('leaves what is bought at its price, also where it has a structure', function () {
    expect(rolled("B,10,C,5,,,,,,\n", planning: "B,MAIN,buy\n")->of('B'))->toBe(10_000_000)
        ->and(rolled("B,10,C,5,,,,,,\n", planning: "C,MAIN,buy\n")->of('B'))->toBe(20_000_000); // planned nowhere: by its structure
});

it('says what each component adds, the dearest first, and adds up', function () {
    $roll = rolled("A,10,C,3,,,,,,\nA,20,B,2,,,,,,\n");
    $parts = $roll->parts('A');

    expect(array_map(fn (CostPart $part) => [$part->component, $part->qty, $part->each, $part->cost], $parts))
        ->toBe([['B', 2_000_000, 10_000_000, 20_000_000], ['C', 3_000_000, 4_000_000, 12_000_000]])
        ->and(array_sum(array_column($parts, 'cost')))->toBe($roll->of('A'))->and($roll->parts('C'))->toBe([])
        ->and([$roll->isRolled('A'), $roll->isRolled('C')])->toBe([true, false]);
});

it('says what goes into one, level by level or down to what is bought', function () {
    $roll = rolled("A,10,B,2,,,,,,\nA,20,C,1,,,,,,\nB,10,C,5,unit,2,,,,\n");

    expect($roll->content('A', false))->toBe(['B' => 2_000_000, 'C' => 1_000_000])->and($roll->content('A', true))->toBe(['C' => 6_000_000])
        ->and($roll->content('C', true))->toBe([])->and(rolled("A,10,B,1,,,,,,\nB,10,A,1,,,,,,\n")->content('A', true))->toBe(['A' => 1_000_000]);
});
