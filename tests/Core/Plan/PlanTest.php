<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Buckets;
use Yposta\Core\Plan\Causes;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\Flow;
use Yposta\Core\Plan\LotArithmetic;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityGuard;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

function worked(string $case = 'worked'): Plan
{
    return Support::plan(Support::bundle(Support::folder(dirname(__DIR__, 2)."/cases/{$case}")));
}

it('takes the balance behind a proposal apart again', function () {
    $plan = worked();
    $rod = $plan->proposals()[3];
    $parts = LotArithmetic::of($rod, $plan->supplies[$rod->point], $plan->demands[$rod->point]);

    expect($parts->until)->toBe(Day::parse('2026-03-12'))
        ->and([$parts->stock, $parts->orders, $parts->proposals, $parts->needed, $parts->demands])->toBe([20_000_000, 0, 0, 90_000_000, 1])
        ->and($rod->reason?->net)->toBe(70_000_000);
});

it('adds up for every proposal of the demo company', function () {
    $plan = Support::plan(Support::bundle(Support::folder(dirname(__DIR__, 3).'/database/demo')));
    $explained = 0;
    foreach ($plan->proposals() as $proposal) {
        $reason = $proposal->reason;
        $parts = LotArithmetic::of($proposal, $plan->supplies[$proposal->point], $plan->demands[$proposal->point]);
        if ($parts->until !== null) {
            $explained++;
            expect($parts->stock + $parts->orders + $parts->proposals - $parts->needed)->toBe($reason?->balance);
        }
        expect($reason?->net)->toBe($reason?->target - $reason?->balance);
    }

    expect($explained)->toBeGreaterThan(0.95 * count($plan->proposals()));
});

it('tells how a demand is covered, late supply apart', function () {
    $plan = worked('worked_late');
    $head = $plan->structure->find('HEAD', 'MAIN');
    $sales = $plan->demands[$head->index][0];
    $cover = Cover::of($sales, array_values(array_filter($plan->pegs(), fn ($peg) => $peg->demand === $sales)));

    expect([
        $cover->wanted, $cover->stock, $cover->order, $cover->proposal, $cover->late, $cover->nothing,
    ])->toBe([40_000_000, 10_000_000, 0, 0, 30_000_000, 0])
        ->and($cover->complete)->toBe(Day::parse('2026-03-18'))->and($cover->tooLate)->toBeTrue();
});

it('lists the flow of a point with a running balance, as needed and as expected', function () {
    $plan = worked('worked_late');
    $rod = $plan->structure->find('ROD', 'MAIN')->index;
    $read = fn (bool $asExpected) => array_map(
        fn ($entry) => [Day::format($entry->date), Quantity::format($entry->qty), Quantity::format($entry->balance)],
        Flow::of($plan->supplies[$rod], $plan->demands[$rod], $asExpected),
    );

    expect($read(false))->toBe([['2026-03-09', '20', '20'], ['2026-03-12', '100', '120'], ['2026-03-12', '-90', '30']])
        ->and($read(true))->toBe([['2026-03-09', '20', '20'], ['2026-03-12', '-90', '-70'], ['2026-03-16', '100', '30']]);
});

it('finds the lowest balance within a bucket, not only the last', function () {
    $plan = worked('worked_late');
    $rod = $plan->structure->find('ROD', 'MAIN')->index;
    $rows = (new Buckets(BucketSize::Month, $plan->options->planDate, $plan->options->horizonEnd))->of(
        $plan->supplies[$rod],
        $plan->demands[$rod],
    );

    expect($rows)->toHaveCount(2)
        ->and([
            $rows[0]->balance, $rows[0]->lowest, $rows[0]->expectedBalance, $rows[0]->expectedLowest,
        ])->toBe([30_000_000, 20_000_000, 30_000_000, -70_000_000])
        ->and([$rows[1]->expectedBalance, $rows[1]->expectedLowest])->toBe([30_000_000, 30_000_000]);
});

it('follows causes up to sales, forecast and the stock rule', function () {
    $plan = Support::plan(Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nforecasts,F\n", 'items' => "item\nTOP\nRAW\n",
        'planning' => "item,site,supply,lead_days,supplier,multiple\nTOP,MAIN,make,1,,\nRAW,MAIN,buy,1,SUP,20\n",
        'bom' => "item,line,component,qty\nTOP,10,RAW,1\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,TOP,MAIN,6,2026-03-20\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nF,TOP,MAIN,day,2026-03-20,10\n",
    ]));
    $causes = new Causes($plan);

    expect($causes->of($plan->proposals()[0]))->toBe([600_000, 400_000])
        ->and($causes->of($plan->proposals()[1]))->toBe([300_000, 200_000]);
});

it('sums a plan up', function () {
    $summary = Summary::of(worked('worked_late'));

    expect([
        $summary->proposals, $summary->salesLines, $summary->lateLines, $summary->lateDays, $summary->startPassed,
        $summary->startToday, $summary->short,
    ])->toBe([4, 1, 1, 2, 1, 2, 2])
        ->and($summary->lateByReason)->toBe(['lead_time' => 2])
        ->and($summary->messages)->toBe(['start_passed' => 1, 'below_safety' => 2]);
});

it('says in the message of a shortage whose need waits, and of safety stock only where there is some', function () {
    $texts = fn (Plan $plan) => array_column(array_filter(
        Support::rows($plan, 'messages.csv'),
        fn (array $row) => $row['code'] === 'below_safety',
    ), 'text', 'item');
    $safe = Support::plan(Support::small([
        'items' => "item,name,unit,decimals\nTOP,Top,pcs,0\nRAW,Raw,pcs,0\n",
        'planning' => "item,site,supply,lead_days,supplier,safety_stock\nTOP,MAIN,buy,5,SUP,4\nRAW,MAIN,buy,5,SUP,\n",
        'stock' => "item,site,qty\nTOP,MAIN,1\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,TOP,MAIN,1,2026-03-20,5\nS2,1,RAW,MAIN,1,2026-03-03,5\nS3,7,RAW,MAIN,1,2026-03-02,5\n",
    ]));
    $late = $texts(worked('worked_late'));

    expect($texts($safe)['TOP'])->toStartWith('TOP at MAIN is under its safety stock from Mon 2 Mar')
        ->and($texts($safe)['RAW'])->toStartWith('RAW at MAIN runs short from Mon 2 Mar')->toEndWith('; S3/7 waits for it')
        ->and($late['ROD'])->toStartWith('ROD at MAIN runs short from')->toEndWith('; the proposed HEAD waits for it');
});

it(
    'gives an order that cannot be there in time the date on which it can, unless the next run would propose it again',
    function (OrderKind $kind, int $earliest, int $due) {
        $proposal = new Supply(
            point: 0,
            kind: SupplyKind::Proposal,
            type: $kind,
            name: '1',
            rank: SupplyKind::Proposal->rank(1),
            qty: 1,
            start: 90,
            due: 100,
            earliest: $earliest,
            priority: 5,
        );

        expect(ConversionDate::of($proposal, 30))->toBe($due);
    },
)->with([
    'in time' => [OrderKind::Buy, 95, 100], 'late' => [OrderKind::Buy, 112, 112], 'as late as it may be' => [OrderKind::Transfer, 130, 130],
    'too late to be brought in' => [OrderKind::Buy, 131, 100], 'made' => [OrderKind::Make, 112, 100],
]);

it('asks about a quantity five times off', function (string $proposed, string $typed, bool $absurd) {
    expect(QuantityGuard::isAbsurd(Quantity::parse($proposed), Quantity::parse($typed)))->toBe($absurd);
})->with([
    ['10', '50', false], ['10', '50.00001', true], ['10', '2', false], ['10', '1.9', true], ['10', '10', false],
    ['9000000000000', '1', true],
]);
