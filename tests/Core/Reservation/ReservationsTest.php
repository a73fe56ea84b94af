<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Planner;
use Yposta\Core\Reservation\Reservations;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;

beforeEach(function () {
    $this->contents = Support::small([
        'items' => "item\nCUP\nLID\nPOT\n",
        'planning' => "item,site,supply,lead_days,supplier\nPOT,MAIN,make,2,\nCUP,MAIN,buy,4,SUP\nLID,MAIN,buy,4,SUP\n",
        'bom' => "item,line,component,qty\nPOT,10,CUP,1\nPOT,20,LID,1\n", 'stock' => "item,site,qty\nCUP,MAIN,12\nLID,MAIN,4\n",
        'orders' => "order,kind,status,item,site,supplier,qty,due\nM1,make,firm,POT,MAIN,,6,2026-03-12\nP1,buy,released,LID,MAIN,SUP,9,2026-03-09\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,CUP,MAIN,8,2026-03-20\nS2,1,POT,MAIN,6,2026-03-12\n",
        'allocations' => "demand,supply,qty\nsales:S1/1,stock:CUP@MAIN,5\n",
    ]);
    $this->orders = fn ($network) => array_column(
        (new Reservations((new Planner)->plan($network, $this->contents->options)))->all(),
        null,
        'reference',
    );
});

it('tells for each order and line how far what it needs is held', function () {
    $orders = ($this->orders)($this->contents->network);

    expect(array_keys($orders))->toBe(['order:M1', 'sales:S2/1', 'sales:S1/1'])
        ->and($orders['sales:S1/1']->status())->toBe('partly')->and($orders['sales:S1/1']->needs[0]->kept())->toBe(5_000_000)->and($orders['sales:S1/1']->isAvailable())->toBeFalse()
        ->and($orders['order:M1']->status())->toBe('none')->and($orders['order:M1']->isAvailable())->toBeTrue()->and($orders['order:M1']->complete())->toBe(0);
});

it('holds for an order all that the plan gives it from stock and open orders', function () {
    $order = ($this->orders)($this->contents->network)['order:M1'];
    $changes = Reservations::toHold($order);
    expect($changes)->toEqual([
        new HoldSupply('part:M1/10', 'stock:CUP@MAIN', 6_000_000),
        new HoldSupply('part:M1/20', 'stock:LID@MAIN', 4_000_000),
        new HoldSupply('part:M1/20', 'order:P1', 2_000_000),
    ]);
    $held = (new Changes($changes))->apply($this->contents->network);
    $order = ($this->orders)($held)['order:M1'];

    expect($order->status())->toBe('complete')->and(Reservations::toHold($order))->toBe([]);
});

it('never holds the same twice, and says who has it', function () {
    $network = (new HoldSupply('part:M1/10', 'stock:CUP@MAIN', 6_000_000))->apply($this->contents->network);

    expect(Support::refusal(fn () => (new HoldSupply('sales:S1/1', 'stock:CUP@MAIN', 8_000_000))->apply($network)))->toContain(
        'only 6 of stock of CUP@MAIN is free to be held; the rest is held for M1/10',
    )
        ->and((new HoldSupply('sales:S1/1', 'stock:CUP@MAIN', 6_000_000))->apply($network)->allocations)->toHaveCount(2)
        ->and(Support::refusal(fn () => (new HoldSupply('sales:S1/1', 'order:GHOST', 1_000_000))->apply($network)))->toContain('there is no open order GHOST')
        ->and(Support::refusal(fn () => (new HoldSupply(
            'sales:S2/1',
            'stock:POT@MAIN',
            1_000_000,
        ))->apply($network)))->toContain('nothing of stock of POT@MAIN is free to be held');
});

it('puts back what was held where it stood', function () {
    $network = (new HoldSupply('part:M1/10', 'stock:CUP@MAIN', 3_000_000))->apply($this->contents->network);
    $free = new FreeSupply('sales:S1/1', 'stock:CUP@MAIN');
    $more = new HoldSupply('sales:S1/1', 'stock:CUP@MAIN', 7_000_000);

    expect((new Changes($free->inverse($network)))->apply($free->apply($network))->allocations)->toEqual($network->allocations)
        ->and((new Changes($more->inverse($network)))->apply($more->apply($network))->allocations)->toEqual($network->allocations)
        ->and($more->apply($network)->allocations[0]->qty)->toBe(7_000_000);
});
