<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Conversion\ConversionOrders;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Network\SupplyWays;

/** A shelf that is made, can be bought of two and moved from the depot; its board is bought of nobody in particular. */
function shelves(string $alternatives): Network
{
    return Support::bundle([
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n",
        'calendars.csv' => "calendar,weekdays\nWORK,12345\n",
        'sites.csv' => "site,name,calendar\nMAIN,Main plant,WORK\nDEPOT,Depot,WORK\n",
        'items.csv' => "item,name,unit\nSHELF,Shelf,pcs\nBOARD,Board,pcs\n",
        'suppliers.csv' => "supplier,name\nJOIN,Joiner\nSAW,Sawmill\n",
        'supplier_items.csv' => "supplier,item,lead_days,price,rank,min_qty,multiple\nSAW,BOARD,4,2,2,,\nJOIN,BOARD,9,1.5,1,50,10\nSAW,SHELF,6,,1,,\n",
        'price_breaks.csv' => "supplier,item,from_qty,price\nSAW,BOARD,100,1.75\nSAW,BOARD,20,1.9\n",
        'planning.csv' => "item,site,supply,lead_days\nSHELF,MAIN,make,3\nBOARD,MAIN,buy,7\n",
        'bom.csv' => "item,line,component,qty\nSHELF,10,BOARD,2\n",
        'alternatives.csv' => "item,site,rank,supply,lead_days,supplier,from_site\n{$alternatives}",
        'sales.csv' => "order,line,item,site,qty,due\nS1,1,SHELF,MAIN,30,2026-03-20\n",
    ])->network;
}

it('knows all ways to an item: as it is planned, its alternatives by rank, and of whom it can be bought', function () {
    $keys = fn (Network $network, string $item) => array_map(
        fn (SupplyAlternative $way) => $way->key(), (new SupplyWays($network))->of($item, 'MAIN'),
    );
    $network = shelves("SHELF,MAIN,2,transfer,1,,DEPOT\nSHELF,MAIN,1,buy,5,JOIN,\nBOARD,MAIN,1,make,,,\n");

    expect($keys($network, 'SHELF'))->toBe(['make', 'buy:JOIN', 'transfer:DEPOT', 'buy:SAW'])
        ->and($keys($network, 'BOARD'))->toBe(['buy:JOIN', 'buy:SAW', 'make'])
        ->and($keys(shelves(''), 'SHELF'))->toBe(['make', 'buy:SAW'])
        ->and((new SupplyWays($network))->find('SHELF', 'MAIN', 'transfer:MAIN'))->toBeNull();
});

it('can buy of every supplier what nobody offers, but of none else what somebody does', function () {
    $network = shelves('');
    $unoffered = Support::bundle([
        'plan.csv' => "key,value\nplan_date,2026-03-02\n",
        'calendars.csv' => "calendar,weekdays\nC,12345\n", 'sites.csv' => "site,calendar\nMAIN,C\n",
        'items.csv' => "item\nPEG\nJIG\n", 'suppliers.csv' => "supplier\nSAW\nJOIN\n",
        'planning.csv' => "item,site,supply,lead_days\nPEG,MAIN,buy,4\nJIG,MAIN,make,2\n",
    ])->network;
    $keys = fn (string $item) => array_map(fn (SupplyAlternative $way) => $way->key(), (new SupplyWays($unoffered))->of($item, 'MAIN'));

    expect($keys('PEG'))->toEqualCanonicalizing(['buy:JOIN', 'buy:SAW'])->and($keys('JIG'))->toBe(['make'])
        ->and((new SupplyWays($network))->find('SHELF', 'MAIN', 'buy:JOIN'))->toBeNull();
});

it('makes an order of another kind of a proposal, with its own lead time and components', function (string $way, array $expected) {
    $contents = Support::bundle(Support::folder(dirname(__DIR__, 2).'/cases/worked'));
    $network = shelves("SHELF,MAIN,1,buy,5,JOIN,\nSHELF,MAIN,2,transfer,1,,DEPOT\nBOARD,MAIN,1,make,2,,\n");
    $plan = Support::plan(new Yposta\Core\Bundle\Contents($network, $contents->options->with(planDate: 20514), []));
    $proposal = array_values(array_filter($plan->proposals(), fn ($one) => $plan->structure->points[$one->point]->item->code === 'SHELF'))[0];
    $made = (new ConversionOrders($network, $plan->options))->order(
        $proposal, 'SHELF', 'MAIN', 'N1', way: (new SupplyWays($network))->find('SHELF', 'MAIN', $way),
    );
    $day = fn (?int $day) => $day === null ? null : Yposta\Core\Calendar\Day::format($day);
    [$order, $rows] = [$made->order, $made->rows];

    expect([$order->kind->value, $order->supplier, $order->fromSite, $day($order->start), $day($order->due), count($rows)])
        ->toBe($expected);
})->with([
    'made, as it is planned' => ['make', ['make', null, null, '2026-03-17', '2026-03-20', 1]],
    'bought, by the lead time of the alternative' => ['buy:JOIN', ['buy', 'JOIN', null, '2026-03-13', '2026-03-20', 0]],
    'moved' => ['transfer:DEPOT', ['transfer', null, 'DEPOT', '2026-03-19', '2026-03-20', 0]],
    'bought of who offers it, by his lead time' => ['buy:SAW', ['buy', 'SAW', null, '2026-03-12', '2026-03-20', 0]],
]);

it('says when it could be there in another way', function () {
    $network = shelves("BOARD,MAIN,1,make,,,\n");
    $options = Support::bundle(Support::folder(dirname(__DIR__, 2).'/cases/worked'))->options;
    $ways = new SupplyWays($network);
    $earliest = fn (string $key) => Yposta\Core\Calendar\Day::format(
        OrderFromProposal::earliest($network, $options, $ways->find('BOARD', 'MAIN', $key) ?? throw new LogicException($key)),
    );

    expect($earliest('buy:JOIN'))->toBe('2026-03-13')->and($earliest('buy:SAW'))->toBe('2026-03-06')
        ->and($earliest('make'))->toBe('2026-03-02'); // not after the days of a purchase
});

it('takes the price of the highest break that the quantity reaches', function () {
    $prices = PurchasePrices::of(shelves(''));

    expect($prices->price('BOARD', 'SAW', 19_999_999))->toBe(2_000_000)->and($prices->price('BOARD', 'SAW', 20_000_000))->toBe(1_900_000)
        ->and($prices->price('BOARD', 'SAW', 250_000_000))->toBe(1_750_000)->and($prices->price('BOARD', 'JOIN', 250_000_000))->toBe(1_500_000)
        ->and($prices->price('SHELF', 'SAW', 1_000_000))->toBeNull()->and($prices->price('BOARD', null, 1_000_000))->toBeNull()
        ->and(array_keys($prices->breaks('BOARD', 'SAW')))->toBe([20_000_000, 100_000_000]);
});

it('refuses alternatives that lead nowhere', function (string $row, string $said) {
    try {
        shelves($row);
        $trouble = '';
    } catch (BundleRefused $refused) {
        $trouble = implode("\n", array_map(strval(...), $refused->errors));
    }

    expect($trouble)->toContain($said);
})->with([
    ["SHELF,MAIN,1,transfer,1,,MAIN\n", 'alternatives.csv'], ["SHELF,MAIN,1,transfer,1,,\n", 'alternatives.csv'],
    ["SHELF,MAIN,1,buy,1,GHOST,\n", 'GHOST'], ["SHELF,MAIN,1,buy,1,SAW,\nSHELF,MAIN,1,make,,,\n", 'alternatives.csv'],
    ["SHELF,MAIN,0,make,,,\n", 'rank'],
]);
