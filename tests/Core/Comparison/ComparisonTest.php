<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Comparison\Comparison;
use Yposta\Core\Comparison\Difference;
use Yposta\Core\Comparison\PlanContent;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\MessageIdentity;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Risk;
use Yposta\Core\Plan\StockValue;
use Yposta\Core\Planner;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\MoveOrder;

/** Two levels: KIT for two customers is made of CASE, which a late purchase brings. */
function lateShop(): Yposta\Core\Bundle\Contents
{
    return Support::small([
        'items' => "item,name,unit_cost\nKIT,Kit,100\nCASE,Case,8\nPIN,Pin,1\n",
        'planning' => "item,site,supply,lead_days,supplier\nKIT,MAIN,make,2,\nCASE,MAIN,buy,20,SUP\nPIN,MAIN,buy,1,SUP\n",
        'bom' => "item,line,component,qty\nKIT,10,CASE,1\nKIT,20,PIN,2\n",
        'sales' => "order,line,item,site,qty,due,customer\nA,1,KIT,MAIN,4,2026-03-12,Isle Survey\nB,2,KIT,MAIN,6,2026-03-13,Pier Nine\n",
        'orders' => "order,kind,status,item,site,supplier,qty,due\nP1,buy,released,CASE,MAIN,SUP,10,2026-03-18\n",
    ]);
}

function picture(Network $network): PlanContent
{
    $plan = (new Planner)->plan($network, lateShop()->options);

    return PlanContent::of($plan, Support::english()->on($plan->options->planDate));
}

/** @param  list<Difference<object>>  $differences */
function kinds(array $differences, callable $say): array
{
    return array_map(
        fn (Difference $difference) => $difference->kind()->value.' '.$say($difference->after ?? $difference->before),
        $differences,
    );
}

it('finds nothing between a plan and itself', function () {
    $comparison = Comparison::of(picture(lateShop()->network), picture(lateShop()->network));

    expect([$comparison->proposals, $comparison->messages, $comparison->late, $comparison->stock])->toBe([[], [], [], []])
        ->and($comparison->figures['lateLines'])->toBe([2, 2]);
});

it('tells which lines come on time and what else changes when a purchase comes earlier', function () {
    $network = lateShop()->network;
    $comparison = Comparison::of(picture($network), picture((new MoveOrder('P1', Day::parse('2026-03-10')))->apply($network)));

    expect(kinds($comparison->late, fn ($late) => "{$late->order}/{$late->line} {$late->days()}"))->toBe(['gone A/1 8', 'gone B/2 7'])
        ->and($comparison->late[0]->before->why)->toContain('P1')
        ->and($comparison->figures['lateDays'])->toBe([15, 0])
        ->and(kinds($comparison->messages, fn ($message) => "{$message->code} {$message->about}"))->toContain('gone bring_in order:P1')
        ->and(kinds(
            $comparison->proposals,
            fn ($proposal) => "{$proposal->item} {$proposal->qty}",
        ))->toBe(['changed KIT 4000000', 'changed KIT 6000000'])
        ->and(array_keys($comparison->stock))->toBe([Network::key('CASE', 'MAIN')]);
});

it('pairs proposals that moved or grew and tells new and gone ones', function () {
    $network = lateShop()->network;
    $comparison = Comparison::of(picture($network), picture((new ChangeStock('PIN', 'MAIN', 9_000_000))->apply($network)));

    expect(kinds(
        $comparison->proposals,
        fn ($proposal) => "{$proposal->item} {$proposal->qty}",
    ))->toBe(['gone PIN 8000000', 'changed PIN 11000000']);
});

it('reckons the average value of the projected stock', function () {
    $plan = Support::plan(Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-03-11\n", 'items' => "item,unit_cost\nBOX,3\n",
        'stock' => "item,site,qty\nBOX,MAIN,20\n",
        'sales' => "order,line,item,site,qty,due\nA,1,BOX,MAIN,10,2026-03-06\n",
    ]));

    expect(array_values(StockValue::byPoint($plan)))->toBe([3 * intdiv(4 * 20 + 6 * 10, 10)]);
});

it('tells which late customer lines hang on an order, through the levels', function () {
    $plan = Support::plan(lateShop());
    $risk = new Risk($plan);
    $found = [];
    foreach ($plan->messages() as $message) {
        $lines = $risk->of($message);
        $found[$message->code->value.' '.$message->reference()] = [
            array_map(fn ($line) => "{$line->name}/{$line->line}", $lines),
            $risk->value($message),
        ];
    }

    expect($found['bring_in order:P1'])->toBe([['A/1', 'B/2'], 1000])->and($found['below_safety safety:CASE@MAIN'][0])->toHaveCount(2);
});

/**
 * Sales lines that wait for each supply and demand, followed from every late line by itself, by object id; those of a point under its name.
 *
 * @return array<int|string, array<int, int>>
 */
function followed(Plan $plan): array
{
    $late = $pegs = $waits = [];
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            $demand->kind === DemandKind::Sales && $demand->lateDays() > 0 && $late[] = $demand;
        }
    }
    foreach ($plan->pegs() as $peg) {
        $pegs[spl_object_id($peg->demand)][] = $peg;
    }
    foreach ($late as $line) {
        $id = spl_object_id($line);
        for ($waiting = [$line]; ($demand = array_pop($waiting)) !== null;) {
            $waits[spl_object_id($demand)][$id] = $waits["point {$demand->point}"][$id] = $line->qty;
            foreach ($pegs[spl_object_id($demand)] ?? [] as $peg) {
                $supply = spl_object_id($peg->supply);
                if ($peg->supply->available > $demand->date && ! isset($waits[$supply][$id])) {
                    $waits[$supply][$id] = $line->qty;
                    array_push($waiting, ...array_filter($peg->supply->inputs, fn (Demand $input) => $input->lateDays() > 0));
                }
            }
        }
    }

    return $waits;
}

it('tells which late lines hang on each message, as if each line were followed by itself', function (int $seed) {
    $files = (new RandomBundle($seed, 120))->files();
    $files['items.csv'] = preg_replace_callback('/^(I\d+),(.*)$/m', fn ($row) => "{$row[0]},".(substr($row[1], -1) + 1), $files['items.csv']);
    $files['items.csv'] = str_replace('item,name,unit,decimals,phantom', 'item,name,unit,decimals,phantom,unit_cost', $files['items.csv']);
    $plan = Support::plan(Support::bundle($files));
    $risk = new Risk($plan);
    $waits = followed($plan);
    $most = 0;
    foreach ($plan->messages() as $message) {
        $key = is_string($message->about) ? "point {$message->point}" : spl_object_id($message->about);
        $found = array_map(spl_object_id(...), $risk->of($message));
        $wanted = array_keys($waits[$key] ?? []);
        sort($found);
        sort($wanted);
        $value = 0;
        foreach ($risk->of($message) as $line) {
            $value += intdiv($line->qty, 1_000_000) * intdiv($plan->structure->points[$line->point]->item->unitCost, 1_000_000);
        }
        expect($found)->toBe($wanted, $message->reference())->and($risk->count($message))->toBe(count($wanted))
            ->and($risk->value($message))->toBe($value);
        $most = max($most, count($wanted));
    }
    expect($most)->toBeGreaterThan(3)->and(count($plan->messages()))->toBeGreaterThan(50);
})->with([2, 3, 4, 5]);

it('knows a message again by what it is about, whatever the number of a proposal and the day', function () {
    $say = function (string $today, string $stock): array {
        $plan = Support::plan(Support::small([
            'plan' => "key,value\nplan_date,{$today}\nhorizon_end,2026-04-30\n", 'items' => "item\nBOX\nAXE\n",
            'planning' => "item,site,supply,lead_days,supplier\nBOX,MAIN,buy,9,SUP\nAXE,MAIN,buy,0,SUP\n",
            'sales' => "order,line,item,site,qty,due\nA,1,BOX,MAIN,10,2026-03-06\nA,2,AXE,MAIN,1,2026-03-30\n",
            'stock' => "item,site,qty\nAXE,MAIN,{$stock}\n",
        ]));
        $message = array_values(array_filter($plan->messages(), fn ($message) => $message->code === MessageCode::StartPassed))[0];

        return [$message->reference(), MessageIdentity::of($message, $plan)];
    };
    [$number, $facts] = $say('2026-03-02', '0');
    [$other, $same] = $say('2026-03-03', '1');

    expect($number)->not->toBe($other)->and($same)->toEqual($facts);
});
