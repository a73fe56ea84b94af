<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Study\BringOrders;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\RowCodec;
use Yposta\Core\Study\SoundChange;

/** A stool of a seat and three legs with orders of each kind; one production order has components of its own. */
function stoolWorks(): Network
{
    return Support::bundle([
        'plan.csv' => "key,value\nplan_date,2026-03-02\n",
        'calendars.csv' => "calendar,weekdays\nWEEK,12345\n",
        'sites.csv' => "site,calendar\nMAIN,WEEK\nSHOP,\n",
        'items.csv' => "item,decimals\nSTOOL,0\nSEAT,0\nLEG,1\n",
        'suppliers.csv' => "supplier\nMILL\nSAW\n",
        'supplier_items.csv' => "supplier,item,lead_days\nMILL,LEG,5\nSAW,LEG,4\n",
        'planning.csv' => "item,site,supply,lead_days,supplier,from_site\nSTOOL,MAIN,make,2,,\nSTOOL,SHOP,transfer,1,,MAIN\nSEAT,MAIN,buy,4,SAW,\nLEG,MAIN,buy,5,MILL,\n",
        'bom.csv' => "item,line,component,qty\nSTOOL,10,SEAT,1\nSTOOL,20,LEG,3\n",
        'stock.csv' => "item,site,qty\nSEAT,MAIN,40\n",
        'sales.csv' => "order,line,item,site,qty,due\nS1,1,STOOL,SHOP,30,2026-03-30\n",
        'orders.csv' => "order,kind,status,item,site,from_site,supplier,qty,received,start,due\n"
            ."M1,make,released,STOOL,MAIN,,,20,5,2026-03-05,2026-03-10\nM2,make,firm,STOOL,MAIN,,,7,,,2026-03-17\n"
            ."P1,buy,firm,LEG,MAIN,,MILL,90,,,2026-03-09\nP2,buy,released,LEG,MAIN,,MILL,30,,,2026-03-19\nT1,transfer,firm,STOOL,SHOP,MAIN,,10,,,2026-03-12\n",
        'order_components.csv' => "order,line,item,qty,issued,need\nM1,10,SEAT,20,5,2026-03-05\nM1,20,LEG,60,15,2026-03-05\n",
    ])->network;
}

/** An order of legs as a table may say it. */
function orderOf(array $values): OpenOrder
{
    return RowCodec::decode(OpenOrder::class, [
        'kind' => 'buy', 'status' => 'firm', 'item' => 'LEG', 'site' => 'MAIN', 'qty' => '1', 'due' => '2026-03-20', ...$values,
    ]);
}

/** What the orders of a network say, and their own components. */
function saidOrders(Network $network): array
{
    $rows = [...array_values($network->orders), ...$network->components];
    $said = array_map(fn (object $row) => implode(',', Declaration::of($row::class)->fields($row)), $rows);
    sort($said);

    return $said;
}

/** Applies what takes a change back. */
function tookBack(BringOrders $change, Network $before): Network
{
    $now = SoundChange::apply($change, $before);
    foreach ($change->inverse($before) as $back) {
        $now = SoundChange::apply($back, $now, takesBack: true);
    }

    return $now;
}

it('brings new orders under their own codes and changes those that there are, with the components that they have of their own', function () {
    $network = stoolWorks();
    $orders = $network->orders;
    $change = new BringOrders([
        orderOf(['code' => 'PO-77', 'status' => 'released', 'supplier' => 'SAW', 'qty' => '12.5']),
        orderOf(['code' => 'WO-5', 'kind' => 'make', 'item' => 'STOOL', 'supplier' => 'SAW', 'qty' => '4']),
        $orders['M1']->with(qty: 40_000_000, due: Day::parse('2026-03-12'), start: Day::parse('2026-03-09'), priority: 2),
        $orders['P1']->with(supplier: 'SAW', due: Day::parse('2026-03-06')),
    ]);
    $after = SoundChange::apply($change, $network);
    $parts = array_map(fn (OrderComponent $row) => [$row->qty, $row->issued, Day::format($row->need)], $after->components);

    expect($after->orders['PO-77']->received)->toBe(0)->and($after->orders['WO-5']->supplier)->toBeNull() // it is made
        ->and($after->orders['M1']->received)->toBe(5_000_000)->and($after->orders['M1']->priority)->toBe(2)
        ->and($parts)->toBe([[40_000_000, 5_000_000, '2026-03-09'], [120_000_000, 15_000_000, '2026-03-09']])
        ->and($after->orders['P1']->supplier)->toBe('SAW')->and(count($after->orders))->toBe(7)
        ->and(saidOrders(tookBack($change, $network)))->toBe(saidOrders($network))
        ->and(ChangeCodec::decode(ChangeCodec::encode($change)))->toEqual($change)
        ->and(fn () => SoundChange::decode(ChangeCodec::encode($change)))->toThrow(InvalidChange::class); // not from outside
});

it('refuses what would tell another story of an order', function (array $values, string $why) {
    $network = stoolWorks();
    $old = $network->orders[$values['code'] ?? 'M1'] ?? null;
    $row = $old === null ? orderOf($values) : RowCodec::decode(OpenOrder::class, [...RowCodec::encode($old), ...$values]);

    expect(Support::refusal(fn () => SoundChange::apply(new BringOrders([$row]), $network)))->toContain($why);
})->with([
    'another item' => [['item' => 'SEAT'], 'STOOL'],
    'another site' => [['site' => 'SHOP'], 'MAIN'],
    'another status' => [['status' => 'firm'], 'begun'],
    'another supplier of what was sent' => [['code' => 'P2', 'supplier' => 'SAW'], 'sent'],
    'less than came' => [['qty' => '4'], 'received'],
    'nothing' => [['code' => 'M2', 'qty' => '0'], 'above 0'],
    'begins after it is due' => [['code' => 'M2', 'start' => '2026-04-20'], 'M2'],
    'finer than its item' => [['code' => 'M2', 'qty' => '1.5'], 'decimals'],
    'a transfer on its way' => [['code' => 'T9', 'kind' => 'transfer', 'status' => 'released', 'item' => 'STOOL', 'site' => 'SHOP', 'fromSite' => 'MAIN'], 'T9'],
    'a new one of nothing' => [['code' => 'N1', 'qty' => '0'], 'above 0'],
    'an item that is not there' => [['code' => 'N1', 'item' => 'GHOST'], 'GHOST'],
    'a proposal' => [['code' => 'proposal:7'], 'proposal'],
]);

it('plans on as from the start and is taken back whole, whatever the table says', function () {
    $random = new Randomizer(new Mt19937(29));
    $plan = fn (Network $network) => (new Yposta\Core\Planner)->plan($network, Yposta\Core\Options\Options::of(planDate: Day::parse('2026-03-02')));
    $written = fn ($plan): array => array_map(fn (string $file) => Support::rows($plan, $file), array_keys(PlanWriter::FILES));
    for ($round = 0; $round < 40; $round++) {
        $network = stoolWorks();
        $rows = [];
        foreach ($network->orders as $order) {
            $random->getInt(0, 2) > 0 && $rows[] = $order->with(
                qty: $random->getInt(6, 60) * 1_000_000, due: $order->due + $random->getInt(0, 15), priority: $random->getInt(1, 9),
            );
        }
        for ($more = $random->getInt(0, 3); $more > 0; $more--) {
            $kind = $random->getInt(0, 1);
            $rows[] = orderOf([
                'code' => "NEW-{$more}", 'kind' => ['make', 'buy'][$kind], 'item' => ['STOOL', 'SEAT'][$kind],
                'qty' => (string) $random->getInt(1, 50), 'due' => '2026-03-'.$random->getInt(10, 28),
            ]);
        }
        $change = new BringOrders($rows);
        $after = SoundChange::apply($change, $network);
        expect($written(NetChange::plan($plan($network), $after)))->toBe($written($plan($after)))
            ->and(saidOrders(tookBack($change, $network)))->toBe(saidOrders($network));
    }
});
