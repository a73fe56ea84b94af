<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Reference\ReferenceOrder;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Structure\Outline;
use Yposta\Core\Structure\StructureBuilder;

it('names the loop', function (array $files, string $loop) {
    expect(Support::refusal(fn () => Support::small($files)))->toContain("contains itself: {$loop};");
})->with([
    'three levels under a top' => [[
        'items' => "item\nZ\nC\nB\nA\n", 'planning' => "item,site,supply\nZ,MAIN,make\nA,MAIN,make\nB,MAIN,make\nC,MAIN,make\n",
        'bom' => "item,line,component,qty\nZ,10,B,1\nA,10,B,1\nB,10,C,1\nC,10,A,1\n",
    ], 'A > B > C > A'],
    'an item in itself' => [
        ['items' => "item\nA\n", 'planning' => "item,site,supply\nA,MAIN,make\n", 'bom' => "item,line,component,qty\nA,10,A,1\n"],
        'A > A',
    ],
    'through a phantom' => [[
        'items' => "item,phantom\nA,0\nP,1\n", 'planning' => "item,site,supply\nA,MAIN,make\n",
        'bom' => "item,line,component,qty\nA,10,P,1\nP,10,A,1\n",
    ], 'A > A'],
    'phantoms in each other' => [[
        'items' => "item,phantom\nA,0\nP,1\nQ,1\n", 'planning' => "item,site,supply\nA,MAIN,make\n",
        'bom' => "item,line,component,qty\nA,10,P,1\nP,10,Q,1\nQ,10,P,1\n",
    ], 'P > Q > P'],
    'a round of transfers' => [[
        'items' => "item\nA\n", 'sites' => "site\nMAIN\nDEPOT\n",
        'planning' => "item,site,supply,from_site\nA,MAIN,transfer,DEPOT\nA,DEPOT,transfer,MAIN\n",
    ], 'A@DEPOT > A@MAIN > A@DEPOT'],
    'the component rows of an order' => [[
        'items' => "item\nA\nB\n", 'planning' => "item,site,supply\nB,MAIN,make\n", 'bom' => "item,line,component,qty\nB,10,A,1\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,1,2026-03-20\n",
        'order_components' => "order,line,item,qty\nM1,10,B,1\n",
    ], 'A > B > A'],
]);

it('gives every point its longest distance from the tops', function () {
    $contents = Support::small([
        'items' => "item,phantom\nTOP,0\nSUB,0\nPH,1\nRAW,0\n",
        'sites' => "site\nMAIN\nDEPOT\n",
        'planning' => "item,site,supply,from_site\nTOP,MAIN,make,\nSUB,MAIN,make,\nRAW,MAIN,buy,\nTOP,DEPOT,transfer,MAIN\n",
        'bom' => "item,line,component,qty\nTOP,10,RAW,1\nTOP,20,SUB,1\nSUB,10,PH,1\nPH,10,RAW,2\n",
    ]);
    $structure = (new StructureBuilder($contents->network, $contents->options))->build();

    expect($structure->find('TOP', 'DEPOT')?->level)->toBe(0)
        ->and($structure->find('TOP', 'MAIN')?->level)->toBe(1)
        ->and($structure->find('SUB', 'MAIN')?->level)->toBe(2)
        ->and($structure->find('RAW', 'MAIN')?->level)->toBe(3);

    $places = (new Outline($structure))->places();
    $order = array_map(
        fn ($point) => $places[$point->index],
        [
            $structure->find('TOP', 'DEPOT'), $structure->find('TOP', 'MAIN'), $structure->find('SUB', 'MAIN'),
            $structure->find('RAW', 'MAIN'),
        ],
    );
    $sorted = $order;
    sort($sorted);
    expect($order)->toBe($sorted)->and(array_unique($places))->toHaveCount(count($structure->points));
});

it('takes a structure sixty levels deep', function () {
    $items = $planning = $bom = '';
    for ($level = 0; $level <= 60; $level++) {
        $items .= "L{$level}\n";
        $planning .= "L{$level},MAIN,".($level < 60 ? 'make' : 'buy').",1\n";
        $bom .= $level < 60 ? "L{$level},10,L".($level + 1).",1\n" : '';
    }
    $plan = Support::plan(Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-12-31\n", 'items' => "item\n{$items}",
        'planning' => "item,site,supply,lead_days\n{$planning}",
        'bom' => "item,line,component,qty\n{$bom}", 'sales' => "order,line,item,site,qty,due\nS1,1,L0,MAIN,7,2026-12-01\n",
    ]));

    expect($plan->proposals())->toHaveCount(61)->and($plan->structure->find('L60', 'MAIN')?->level)->toBe(60)->and($plan->proposals()[60]->qty)
        ->toBe(7_000_000);
});

it('orders lines as numbers, part by part, and words after them', function (array $ordered) {
    $shuffled = array_reverse($ordered);
    usort($shuffled, ReferenceOrder::lines(...));

    expect($shuffled)->toBe($ordered);
})->with([
    [['2', '10', '10.2', '10.10', '11', 'A', 'B']],
    [['10.2', '10.A', 'A.1', 'A.2']],
    [['9', '99999999999999999999', '100000000000000000000']],
]);

it('finds a loop wherever the structure has one, without making it where it has none', function () {
    $random = new Randomizer(new Mt19937(7));
    $loops = 0;
    for ($round = 0; $round < 120; $round++) {
        $items = range('A', 'F');
        $pick = fn () => $items[$random->getInt(0, 5)];
        $phantoms = array_combine($items, array_map(fn () => $random->getInt(0, 4) === 0 ? 1 : 0, $items));
        $planning = $bom = '';
        foreach ($items as $item) {
            foreach (['MAIN', 'DEPOT'] as $site) {
                $supply = ['make', 'buy', 'transfer'][$random->getInt(0, 2)];
                $planning .= "{$item},{$site},{$supply},".($supply === 'transfer' ? ($site === 'MAIN' ? 'DEPOT' : 'MAIN') : '')."\n";
            }
        }
        for ($line = 1, $lines = $random->getInt(2, 7); $line <= $lines; $line++) {
            $bom .= "{$pick()},{$line},{$pick()},1,".['', 'MAIN', 'DEPOT'][$random->getInt(0, 2)]."\n";
        }
        $files = [
            'sites' => "site\nMAIN\nDEPOT\n",
            'items' => "item,phantom\n".implode('', array_map(fn ($item) => "{$item},{$phantoms[$item]}\n", $items)),
            'planning' => "item,site,supply,from_site\n{$planning}", 'bom' => "item,line,component,qty,site\n{$bom}",
            'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,{$pick()},MAIN,1,2026-03-20\n",
            'order_components' => "order,line,item,qty\nM1,1,{$pick()},1\n",
        ];
        try {
            $contents = Support::small($files);
            (new StructureBuilder($contents->network, $contents->options))->build(); // throws where there is one
        } catch (BundleRefused) {
            $unchecked = Support::small($files, checked: false);
            expect(fn () => (new StructureBuilder($unchecked->network, $unchecked->options))->build())->toThrow(LoopFound::class);
            $loops++;
        }
    }
    expect($loops)->toBeGreaterThan(30)->toBeLessThan(110);
});
