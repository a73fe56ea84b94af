<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Stock;
use Yposta\Core\Planner;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\BlockStock;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\MovesStock;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Study\ReceiveOrder;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Study\ReturnPart;
use Yposta\Core\Study\ReverseReceipt;
use Yposta\Core\Study\ScrapBlocked;
use Yposta\Core\Study\ShipLine;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Study\StraightTo;
use Yposta\Core\Study\TakeBackLine;
use Yposta\Core\Study\UsedParts;

/** A desk is made of a top and four legs; a bought order brings tops, a transfer moves desks to the shop. */
function desks(array $files = []): Network
{
    return Support::small([
        'sites' => "site\nMAIN\nSHOP\n", 'items' => "item,unit,decimals\nDESK,pcs,0\nTOP,pcs,0\nLEG,pcs,0\n",
        'planning' => "item,site,supply,lead_days,from_site\nDESK,MAIN,make,1,\nDESK,SHOP,transfer,1,MAIN\nTOP,MAIN,buy,2,\nLEG,MAIN,buy,2,\n",
        'bom' => "item,line,component,qty\nDESK,10,TOP,1\nDESK,20,LEG,4\n", 'stock' => "item,site,qty\nDESK,MAIN,5\nTOP,MAIN,6\nLEG,MAIN,30\n",
        'sales' => "order,line,item,site,qty,due,customer\nS1,1,DESK,MAIN,4,2026-03-20,Pier 9 Supply\nS2,1,DESK,MAIN,3,2026-03-24,Voss Aqua\n",
        'orders' => "order,kind,status,item,site,from_site,qty,due\nM1,make,firm,DESK,MAIN,,3,2026-03-12\nP1,buy,released,TOP,MAIN,,10,2026-03-10\n"
            ."T1,transfer,firm,DESK,SHOP,MAIN,2,2026-03-11\n",
        ...$files,
    ])->network;
}

/** @return array<string, int> pieces by item and site */
function pieces(Network $network): array
{
    $pieces = [];
    foreach ($network->stock as $row) {
        $pieces["{$row->item}@{$row->site}"] = intdiv($row->qty, 1_000_000);
    }
    ksort($pieces);

    return $pieces;
}

/** @return list<string> the postings of changes one after the other */
function posted(Network $network, Change ...$changes): array
{
    $said = [];
    foreach ($changes as $change) {
        foreach ($change instanceof MovesStock ? $change->postings($network) : [] as $posting) {
            $said[] = "{$posting->kind->value} {$posting->item}@{$posting->site} ".intdiv($posting->qty, 1_000_000)." {$posting->document}";
        }
        $network = $change->apply($network);
    }

    return $said;
}

const P = 1_000_000;

it('receives, issues, sends and ships, each with its posting', function () {
    $network = desks();
    $changes = [
        new ReceiveOrder('P1', 4 * P), new IssuePart('M1', '10', 3 * P), new IssuePart('M1', '20', 12 * P), new ReceiveOrder('M1', 3 * P),
        new ReleaseOrder('T1'), new ReceiveOrder('T1', 2 * P), new ShipLine('S1', '1', 4 * P), new TakeBackLine('S1', '1', P),
        new ReturnPart('M1', '20', P), new ReverseReceipt('P1', P), new ChangeStock('LEG', 'MAIN', 20 * P),
    ];
    expect(posted($network, ...$changes))->toBe([
        'receipt TOP@MAIN 4 order:P1', 'issue TOP@MAIN -3 part:M1/10', 'issue LEG@MAIN -12 part:M1/20', 'receipt DESK@MAIN 3 order:M1',
        'transfer DESK@MAIN -2 order:T1', 'receipt DESK@SHOP 2 order:T1', 'shipment DESK@MAIN -4 sales:S1/1', 'shipment DESK@MAIN 1 sales:S1/1',
        'issue LEG@MAIN 1 part:M1/20', 'receipt TOP@MAIN -1 order:P1', 'count LEG@MAIN 1 ',
    ]);
    $after = (new Changes($changes))->apply($network);
    expect(pieces($after))->toBe(['DESK@MAIN' => 3, 'DESK@SHOP' => 2, 'LEG@MAIN' => 20, 'TOP@MAIN' => 6])
        ->and($after->orders['P1']->received)->toBe(3 * P)->and($after->orders['M1']->open())->toBe(0)
        ->and(array_map(fn ($row) => [$row->line, $row->qty, $row->issued], OrderRows::own($after, 'M1')))
        ->toBe([['10', 3 * P, 3 * P], ['20', 12 * P, 11 * P]]);
});

it('refuses what is not there, held for another, more than asked for, or of nothing', function (Change $change, string $says) {
    $network = (new Changes([new HoldSupply('sales:S2/1', 'stock:DESK@MAIN', 3 * P)]))->apply(desks());
    expect(Support::refusal(fn () => $change->apply($network)))->toContain($says);
})->with([
    [fn () => new ReceiveOrder('P1', 11 * P), 'brings only 10 pcs more, and not 11 pcs'],
    [fn () => new ReceiveOrder('P1', 0), 'above 0'], [fn () => new ReceiveOrder('P1', -P), 'above 0'],
    [fn () => new ReceiveOrder('P1', P / 2), '0 decimals'], [fn () => new ReceiveOrder('NONE', P), 'no open order'],
    [fn () => new ReceiveOrder('T1', P), 'has not been sent'], [fn () => new ReverseReceipt('P1', P), 'only 0'],
    [fn () => new IssuePart('M1', '10', 4 * P), 'needs only 3 pcs more'], [fn () => new IssuePart('M1', '99', P), 'no component 99'],
    [fn () => new IssuePart('M1', '20', 40 * P, true), 'there is only 30 pcs of LEG at MAIN, and not 40 pcs'],
    [fn () => new ReturnPart('M1', '10', P), 'only 0'], [fn () => new ShipLine('S1', '1', 5 * P), 'only 4 pcs is still to be shipped'],
    [fn () => new ShipLine('S1', '1', 3 * P), 'only 2 pcs is free, and not 3 pcs; the rest is held for S2/1'],
    [fn () => new ShipLine('S9', '1', P), 'no sales line S9/1'], [fn () => new TakeBackLine('S1', '1', P), 'only 0'],
    [fn () => new ReceiveOrder('P1', 10 ** 18, true), 'type it in parts if it is meant'],
]);

it('takes what is held for the one that gets it, and goes on holding in stock what has come', function () {
    $network = (new Changes([
        new HoldSupply('sales:S2/1', 'stock:DESK@MAIN', 3 * P), new HoldSupply('part:M1/10', 'order:P1', 3 * P),
        new HoldSupply('out:T1', 'stock:DESK@MAIN', 2 * P),
    ]))->apply(desks());
    $held = fn (Network $network) => array_map(fn ($row) => "{$row->demand} {$row->supply} ".intdiv($row->qty, P), $network->allocations);
    $came = (new ReceiveOrder('P1', 5 * P))->apply($network);
    expect($held($came))->toContain('part:M1/10 order:P1 3'); // five are still to come
    $came = (new ReceiveOrder('P1', 9 * P))->apply($network);
    expect($held($came))->toBe(['sales:S2/1 stock:DESK@MAIN 3', 'part:M1/10 order:P1 1', 'out:T1 stock:DESK@MAIN 2', 'part:M1/10 stock:TOP@MAIN 2']);
    $gone = (new Changes([new IssuePart('M1', '10', 2 * P), new ReleaseOrder('T1'), new ShipLine('S2', '1', P)]))->apply($came);
    expect($held($gone))->toBe(['sales:S2/1 stock:DESK@MAIN 2', 'part:M1/10 order:P1 1'])
        ->and(pieces($gone)['DESK@MAIN'])->toBe(2);
    // what somebody else holds of what came is not sent back
    $all = (new Changes([new HoldSupply('part:M1/10', 'order:P1', 3 * P), new ReceiveOrder('P1', 10 * P), new ChangeStock('TOP', 'MAIN', 3 * P)]))->apply(desks());
    expect(Support::refusal(fn () => (new ReverseReceipt('P1', P))->apply($all)))->toContain('held for M1/10');
});

it('takes more than was ordered or planned only where that is meant, and the order is then as large', function () {
    $after = (new Changes([new ReceiveOrder('P1', 12 * P, true), new IssuePart('M1', '10', 4 * P, true)]))->apply(desks());
    expect($after->orders['P1']->qty)->toBe(12 * P)->and($after->orders['P1']->open())->toBe(0)
        ->and(OrderRows::own($after, 'M1')[0]->qty)->toBe(4 * P);
});

it('is made here and not sent by anybody as a draft', function () {
    foreach ([new ReceiveOrder('P1', P), new ReverseReceipt('P1', P), new IssuePart('M1', '10', P), new ReturnPart('M1', '10', P),
        new ShipLine('S1', '1', P), new TakeBackLine('S1', '1', P), new BlockStock('TOP', 'MAIN', P), new ScrapBlocked('TOP', 'MAIN', P),
        new ChangeStock('TOP', 'MAIN', P, P), new ReleaseOrder('T1', true, true)] as $change) {
        $fields = ChangeCodec::encode($change);
        expect(ChangeCodec::decode($fields))->toEqual($change)
            ->and(fn () => SoundChange::decode($fields))->toThrow(InvalidChange::class);
    }
});

it('keeps what is blocked apart: in, not usable, freed or scrapped', function () {
    $network = (new Changes([new HoldSupply('part:M1/10', 'order:P1', 3 * P)]))->apply(desks());
    $came = (new ReceiveOrder('P1', 8 * P, false, true))->apply($network);
    $row = fn (Network $network) => array_values(array_filter($network->stock, fn (Stock $one) => $one->item === 'TOP'))[0];
    expect([$row($came)->qty, $row($came)->blocked])->toBe([6 * P, 8 * P])->and($came->orders['P1']->open())->toBe(2 * P)
        ->and($came->allocations[0]->qty)->toBe(2 * P); // no more can be held than is still to come
    $changes = [new BlockStock('TOP', 'MAIN', 5 * P, true), new ScrapBlocked('TOP', 'MAIN', 2 * P), new BlockStock('TOP', 'MAIN', P)];
    expect(posted($network, new ReceiveOrder('P1', 8 * P, false, true), ...$changes))->toBe([
        'receipt TOP@MAIN 8 order:P1', 'block TOP@MAIN 5 stock:TOP@MAIN', 'block TOP@MAIN -5 stock:TOP@MAIN', 'scrap TOP@MAIN -2 stock:TOP@MAIN',
        'block TOP@MAIN -1 stock:TOP@MAIN', 'block TOP@MAIN 1 stock:TOP@MAIN']);
    $after = (new Changes([new BlockStock('TOP', 'MAIN', 5 * P, true), new ScrapBlocked('TOP', 'MAIN', 2 * P), new ChangeStock('TOP', 'MAIN', 4 * P)]))->apply($came);
    expect([$row($after)->qty, $row($after)->blocked])->toBe([4 * P, P]); // a count of what is usable leaves the blocked alone
    $held = (new Changes([new HoldSupply('part:M1/10', 'stock:TOP@MAIN', 3 * P)]))->apply($after);
    foreach ([
        [new BlockStock('TOP', 'MAIN', 2 * P), $held, 'held for M1/10'], [new BlockStock('TOP', 'MAIN', 2 * P, true), $after, 'only 1 pcs of TOP is blocked'],
        [new ScrapBlocked('LEG', 'MAIN', P), $after, 'only 0 pcs of LEG is blocked'], [new ReverseReceipt('P1', 2 * P, true), $after, 'only 1 pcs'],
    ] as [$change, $in, $says]) {
        expect(Support::refusal(fn () => $change->apply($in)))->toContain($says);
    }
});

it('owes what is taken beyond the books where that is said, and what comes next makes good for it', function () {
    $row = fn (Network $network) => array_values(array_filter($network->stock, fn (Stock $one) => $one->item === 'LEG'))[0];
    $after = (new IssuePart('M1', '20', 40 * P, true, true))->apply(desks());
    expect([$row($after)->qty, $row($after)->owed, $row($after)->net()])->toBe([0, 10 * P, -10 * P]);
    $back = (new ReturnPart('M1', '20', 4 * P))->apply($after);
    expect([$row($back)->qty, $row($back)->owed])->toBe([0, 6 * P]);
    $more = (new ReturnPart('M1', '20', 8 * P))->apply($back);
    expect([$row($more)->qty, $row($more)->owed])->toBe([2 * P, 0])
        ->and($row((new Changes((new Changes([new ReturnPart('M1', '20', 8 * P)]))->inverse($back)))->apply($more))->owed)->toBe(6 * P);
    $counted = (new ChangeStock('LEG', 'MAIN', 3 * P))->apply($after);
    expect([$row($counted)->qty, $row($counted)->owed])->toBe([3 * P, 0])->and(posted($after, new ChangeStock('LEG', 'MAIN', 3 * P)))->toBe(['count LEG@MAIN 13 ']);
    // what others hold is not taken even so
    $held = (new HoldSupply('sales:S2/1', 'stock:DESK@MAIN', 3 * P))->apply(desks());
    expect(Support::refusal(fn () => (new ShipLine('S1', '1', 4 * P, true))->apply($held)))->toContain('held for S2/1');
});

it('goes straight to a component or a customer, as far as they wait for it there', function () {
    $network = (new ReceiveOrder('P1', 10 * P))->apply(desks());
    $order = $network->orders['P1'];
    expect(StraightTo::of($network, $order, 'part:M1/10', 10 * P))->toEqual(new IssuePart('M1', '10', 3 * P))
        ->and(StraightTo::of($network, $order, 'part:M1/10', 2 * P))->toEqual(new IssuePart('M1', '10', 2 * P));
    foreach (['part:M1/20', 'part:M9/10', 'part:M1/99', 'sales:S1/1', 'sales:S9/1', 'out:T1', 'safety:TOP@MAIN', 'nonsense'] as $to) {
        expect(StraightTo::of($network, $order, $to, P))->toBeNull();
    }
    $made = (new Changes([new HoldSupply('sales:S1/1', 'stock:DESK@MAIN', P), new ReceiveOrder('M1', 3 * P)]))->apply(desks());
    expect(StraightTo::of($made, $made->orders['M1'], 'sales:S1/1', 2 * P))->toEqual(new HoldSupply('sales:S1/1', 'stock:DESK@MAIN', 3 * P))
        ->and(StraightTo::of($made, $made->orders['M1'], 'sales:S1/1', 9 * P))->toEqual(new HoldSupply('sales:S1/1', 'stock:DESK@MAIN', 4 * P));
});

it('knows what an operation has used of the items that are issued by themselves', function () {
    $files = [
        'items' => "item,unit,decimals,auto_issue\nDESK,pcs,0,\nTOP,pcs,0,1\nLEG,pcs,0,1\n",
        'work_centres' => "work_centre,site\nBENCH,MAIN\n", 'shifts' => "work_centre,weekdays,from,to\nBENCH,12345,06:00,14:00\n",
        'operations' => "item,op,work_centre,run_min\nDESK,10,BENCH,5\nDESK,20,BENCH,5\n",
        'bom' => "item,line,component,qty,op\nDESK,10,TOP,1,\nDESK,20,LEG,4,20\n",
    ];
    $network = desks($files);
    $used = fn (Network $network, int $op, int $through) => array_map(
        fn (IssuePart $part) => [$part->line, $part->qty], UsedParts::by($network, $network->orders['M1'], $op, $through),
    );
    expect($used($network, 10, 2 * P))->toBe([['10', 2 * P]])->and($used($network, 20, 2 * P))->toBe([['20', 8 * P]])
        ->and($used($network, 20, 9 * P))->toBe([['20', 12 * P]]); // not more than the order needs
    $after = (new IssuePart('M1', '20', 5 * P))->apply($network);
    expect($used($after, 20, 2 * P))->toBe([['20', 3 * P]])->and($used($after, 20, P))->toBe([]);
    $none = desks([...$files, 'items' => "item,unit,decimals\nDESK,pcs,0\nTOP,pcs,0\nLEG,pcs,0\n"]);
    expect($used($none, 10, 2 * P))->toBe([])->and(UsedParts::of($none, $none->orders['M1'], P))->toHaveCount(2);
});

/** Something that may happen to stock, whether or not it fits. */
function anyPosting(Network $network, Randomizer $random): Change
{
    $pick = fn (array $list) => $list === [] ? null : array_values($list)[$random->getInt(0, count($list) - 1)];
    $order = $pick($network->orders);
    $line = $pick($network->sales);
    $qty = $random->getInt(1, 30) * P;
    $code = $order instanceof OpenOrder ? $order->code : 'NONE';
    $rows = $code === 'NONE' ? [] : (OrderRows::own($network, $code) ?: OrderRows::of($network, $code));
    $part = $pick($rows)?->line ?? '10';
    $stock = $pick($network->stock);

    $rarely = fn () => $random->getInt(0, 3) === 0;
    [$item, $site] = $stock instanceof Stock ? [$stock->item, $stock->site] : ['NONE', 'NONE'];

    return match ($random->getInt(0, 10)) {
        0, 1 => new ReceiveOrder($code, $qty, $rarely(), $rarely()),
        2 => new ReverseReceipt($code, $qty, $rarely(), $rarely()),
        3, 4 => new IssuePart($code, $part, $qty, $rarely(), $rarely()),
        5 => new ReturnPart($code, $part, $qty),
        6 => $line instanceof SalesLine ? new ShipLine($line->order, $line->line, $qty, $rarely()) : new ShipLine('NONE', '1', $qty),
        9 => new BlockStock($item, $site, $qty, $random->getInt(0, 1) === 0, $rarely()),
        10 => $rarely() ? new ChangeStock($item, $site, $qty) : new ScrapBlocked($item, $site, $qty, $rarely()),
        7 => $line instanceof SalesLine ? new TakeBackLine($line->order, $line->line, $qty) : new TakeBackLine('NONE', '1', $qty),
        8 => $stock instanceof Stock && $random->getInt(0, 1) === 0
            ? new HoldSupply("part:{$code}/{$part}", (string) Reference::stock($stock->item, $stock->site), $qty)
            : ($order instanceof OpenOrder && $order->kind === OrderKind::Transfer
                ? new ReleaseOrder($code, $order->status === OrderStatus::Firm)
                : new HoldSupply("part:{$code}/{$part}", "order:{$code}", $qty)),
    };
}

it('keeps stock the sum of what was posted, and holds within what there is, whatever happens', function (int $seed) {
    $files = (new RandomBundle($seed, 30))->files();
    $contents = Support::bundle($files);
    $network = $contents->network->with(allocations: []); // those of the bundle may hold more than there is
    $random = new Randomizer(new Mt19937($seed));
    $sum = fn (Network $network) => array_reduce($network->stock, function (array $sum, Stock $row): array {
        $row->net() === 0 || $sum["{$row->item}@{$row->site}"] = $row->net();
        $row->blocked === 0 || $sum["{$row->item}@{$row->site} blocked"] = $row->blocked;

        return $sum;
    }, []);
    $ledger = $sum($network);
    $plan = (new Planner)->plan($network, $contents->options);
    $done = 0;
    for ($step = 0; $step < 400; $step++) {
        $change = anyPosting($network, $random);
        try {
            $after = $change->apply($network);
        } catch (DoesNotFit) {
            continue;
        }
        foreach ($change instanceof MovesStock ? $change->postings($network) : [] as $posting) {
            $key = "{$posting->item}@{$posting->site}".($posting->blocked ? ' blocked' : '');
            $ledger[$key] = ($ledger[$key] ?? 0) + $posting->qty;
        }
        $ledger = array_filter($ledger);
        ksort($ledger);
        $there = $sum($after);
        ksort($there);
        expect($there)->toBe($ledger);
        foreach ($after->stock as $row) { // none below zero, and none is there and owed at once
            expect(min($row->qty, $row->owed, $row->blocked, 0))->toBe(0)->and(min($row->qty, $row->owed))->toBe(0);
        }
        $held = [];
        foreach ($after->allocations as $row) {
            $held[$row->supply] = ($held[$row->supply] ?? 0) + $row->qty;
        }
        foreach ($held as $supply => $qty) {
            $order = $after->orders[substr($supply, strlen('order:'))] ?? null;
            expect($qty)->toBeLessThanOrEqual(str_starts_with($supply, 'order:') ? $order->open() : $ledger[substr($supply, strlen('stock:'))] ?? 0);
        }
        // and it can be taken back as a whole
        $back = (new Changes((new Changes([$change]))->inverse($network)))->apply($after);
        expect($sum($back))->toEqual($sum($network))->and($back->orders)->toEqual($network->orders)
            ->and($back->components)->toEqualCanonicalizing($network->components)
            ->and($back->allocations)->toEqual($network->allocations)->and($back->sales)->toEqual($network->sales);
        $network = $after;
        $done++;
    }
    expect($done)->toBeGreaterThan(60);
    // planned on from where it stood, it is what a whole run makes of it
    $on = NetChange::plan($plan, $network);
    $anew = (new Planner)->plan($network, $contents->options);
    foreach (['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv'] as $file) {
        expect(Support::rows($on, $file))->toBe(Support::rows($anew, $file));
    }
})->with([71, 72, 73, 74]);
