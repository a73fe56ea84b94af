<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobHeading;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
use Yposta\Core\Planner;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\IssueToJob;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\ReturnFromJob;
use Yposta\Core\Study\SoundChange;

const ONE = 1_000_000;

/** A company with a job, as files; more of them, or others in their place. */
function withJob(string $lines = "J1,10,X,MAIN,5,2026-03-20,1\n", array $more = []): Yposta\Core\Bundle\Contents
{
    return Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\n".(isset($more['forecasts']) ? "forecasts,A\n" : ''), 'items' => "item\nX\nY\n",
        'planning' => "item,site,supply,lead_days\nX,MAIN,make,3\nY,MAIN,buy,5\n", 'bom' => "item,line,component,qty\nX,10,Y,2\n",
        'stock' => "item,site,qty\nX,MAIN,2\n",
        'jobs' => "job,name,customer,priority\nJ1,Harbour mast,Port of Sel,3\n", 'job_activities' => "job,activity,begins,ends\nJ1,MAST,2026-03-16,2026-03-27\n",
        'job_lines' => "job,line,item,site,qty,due,approved\n{$lines}", ...$more,
    ]);
}

it('wants what is approved as a sales line of the same would be wanted', function () {
    $job = Support::plan(withJob());
    $sale = Support::plan(withJob('', [
        'sales' => "order,line,item,site,qty,due,priority,customer\nJ1,10,X,MAIN,5,2026-03-20,3,Port of Sel\n",
    ]));
    $without = fn (array $rows) => array_map(fn (array $row) => str_replace(['job:', 'sales:'], 'it:', $row), $rows);

    expect(Support::rows($job, 'demands.csv'))->toHaveCount(2)->and(array_column(Support::rows($job, 'demands.csv'), 'demand'))->toContain('job:J1/10');
    foreach (['demands.csv', 'supplies.csv', 'pegging.csv', 'messages.csv', 'buckets.csv'] as $file) {
        expect($without(Support::rows($job, $file)))->toEqualCanonicalizing($without(Support::rows($sale, $file)), $file);
    }
});

it('wants nothing of what is not approved, is a placeholder, or has been issued', function (string $lines, array $demands) {
    $rows = array_filter(Support::rows(Support::plan(withJob($lines)), 'demands.csv'), fn (array $row) => str_starts_with($row['demand'], 'job:'));

    expect(array_values(array_map(fn (array $row) => "{$row['demand']} {$row['qty']}", $rows)))->toBe($demands);
})->with([
    'not approved' => ["J1,10,X,MAIN,5,2026-03-20,0\n", []],
    'two of three' => ["J1,10,X,MAIN,5,2026-03-20,1\nJ1,20,X,MAIN,4,2026-03-20,0\nJ1,9,Y,MAIN,1,2026-03-20,1\n", ['job:J1/9 1', 'job:J1/10 5']],
]);

it('consumes the forecast, as what is ordered does', function () {
    $left = fn (string $approved) => array_column(array_filter(
        Support::rows(Support::plan(withJob("J1,10,X,MAIN,5,2026-03-20,{$approved}\n", [
            'forecasts' => "forecast,item,site,bucket,start,qty\nA,X,MAIN,week,2026-03-16,8\n",
        ])), 'demands.csv'), fn (array $row) => str_starts_with($row['demand'], 'forecast:'),
    ), 'qty');

    expect(array_values($left('1')))->toBe(['3'])->and(array_values($left('0')))->toBe(['8']);
});

it('refuses in a bundle what cannot be', function (array $files, string $said) {
    expect(Support::refusal(fn () => withJob(more: $files)))->toContain($said);
})->with([
    'a job that is not there' => [['job_lines' => "job,line,item,site,qty,due\nJ9,10,X,MAIN,5,2026-03-20\n"], 'J9'],
    'an activity that the job does not have' => [
        ['job_lines' => "job,line,activity,item,site,qty,due\nJ1,10,ROOF,X,MAIN,5,2026-03-20\n"], "job J1 has no activity 'ROOF'",
    ],
    'neither item nor text' => [['job_lines' => "job,line,site,qty,due\nJ1,10,MAIN,5,2026-03-20\n"], 'neither an item nor a text'],
    'an approved placeholder' => [
        ['job_lines' => "job,line,text,site,qty,due,approved\nJ1,10,a crane,MAIN,1,2026-03-20,1\n"], 'has no item yet',
    ],
    'for nothing' => [['job_lines' => "job,line,item,site,qty,due\nJ1,10,X,MAIN,0,2026-03-20\n"], '0'],
    'ends before it begins' => [['jobs' => "job,begins,ends\nJ1,2026-03-20,2026-03-19\n"], 'ends before it begins'],
]);

it('gives a job what is in stock, takes it back, and knows the way back of both', function () {
    $network = withJob()->network;
    $held = (new HoldSupply('job:J1/10', 'stock:X@MAIN', ONE))->apply($network);
    $issue = new IssueToJob('J1', '10', 2 * ONE);
    $after = $issue->apply($held);
    $line = fn (Network $network) => $network->jobLines[0];
    expect([$line($after)->issued, $line($after)->open(), $after->stock[0]->qty, $after->allocations])->toBe([2 * ONE, 3 * ONE, 0, []])
        ->and((new Changes([$issue]))->inverse($held))->toHaveCount(2)
        ->and((new Changes((new Changes([$issue]))->inverse($held)))->apply($after))->toEqual($held);
    $back = new ReturnFromJob('J1', '10', ONE);
    expect($line($back->apply($after))->issued)->toBe(ONE)
        ->and((new Changes((new Changes([$back]))->inverse($after)))->apply($back->apply($after)))->toEqual($after)
        ->and(array_map(fn ($posting) => [$posting->item, $posting->qty, $posting->document], $issue->postings($held)))
        ->toBe([['X', -2 * ONE, 'job:J1/10']]);
    foreach ([$issue, $back] as $change) {
        expect(ChangeCodec::decode(ChangeCodec::encode($change)))->toEqual($change)
            ->and(fn () => SoundChange::decode(ChangeCodec::encode($change)))->toThrow(Exception::class);
    }
});

it('refuses what a job does not want or does not have', function (Closure $change, string $said) {
    $network = withJob("J1,10,X,MAIN,5,2026-03-20,1\nJ1,20,Y,MAIN,1,2026-03-20,0\n")->network;
    expect(Support::refusal(fn () => $change()->apply($network)))->toContain($said);
})->with([
    [fn () => new IssueToJob('J1', '10', 6 * ONE), 'only 5'], [fn () => new IssueToJob('J1', '20', ONE), 'not approved'],
    [fn () => new IssueToJob('J1', '30', ONE), 'no line J1/30'], [fn () => new ReturnFromJob('J1', '10', ONE), 'only got 0'],
    [fn () => new HoldSupply('job:J1/20', 'stock:X@MAIN', ONE), 'not approved'], [fn () => new HoldSupply('job:J1/99', 'stock:X@MAIN', ONE), 'no line J1/99'],
]);

it('lets nobody type what a job has got, nor take away what has some', function (Closure $change, string $said) {
    $network = (new IssueToJob('J1', '10', 2 * ONE))->apply(withJob()->network);
    expect(Support::refusal(fn () => SoundChange::apply($change($network->jobLines[0]), $network)))->toContain($said);
})->with([
    [fn (JobLine $line) => new PutRows(JobLine::class, [$line->with(issued: ONE)]), 'not typed'],
    [fn (JobLine $line) => new PutRows(JobLine::class, [$line->with(qty: ONE)]), 'has got 2'],
    [fn (JobLine $line) => new PutRows(JobLine::class, [$line->with(item: 'Y')]), 'was issued'],
    [fn (JobLine $line) => new PutRows(JobLine::class, [$line->with(approved: false)]), 'was issued'],
    [fn (JobLine $line) => new PutRows(JobLine::class, [], [['J1', '10']]), 'was issued'],
    [fn (JobLine $line) => new PutRows(JobHeading::class, [], [['J1']]), 'was issued'],
    [fn (JobLine $line) => new PutRows(JobLine::class, [$line->with(activity: 'ROOF')]), 'ROOF'],
]);

it('takes new jobs, activities and lines one after the other, and none of a job that there is not', function () {
    $network = withJob()->network;
    $line = $network->jobLines[0];
    $job = new PutRows(JobHeading::class, [$network->jobs['J1']->with(code: 'J2')]);
    $rows = new PutRows(JobLine::class, [$line->with(job: 'J2', activity: '')]);
    expect(Support::refusal(fn () => SoundChange::apply($rows, $network)))->toContain("no job 'J2'")
        ->and(SoundChange::apply($rows, SoundChange::apply($job, $network))->jobLines)->toHaveCount(2);
});

it('takes lines and activities along with their job, and keeps an activity that a line is for', function () {
    $network = withJob("J1,10,X,MAIN,5,2026-03-20,1\n")->network;
    $gone = new PutRows(JobHeading::class, [], [['J1']]);
    $after = $gone->apply($network);
    expect([$after->jobs, $after->jobLines, $after->jobActivities])->toBe([[], [], []])
        ->and((new Changes((new Changes([$gone]))->inverse($network)))->apply($after))->toEqual($network);
    $for = (new PutRows(JobLine::class, [$network->jobLines[0]->with(activity: 'MAST')]))->apply($network);
    expect(Support::refusal(fn () => (new PutRows(JobActivity::class, [], [['J1', 'MAST']]))->apply($for)))->toContain('MAST');
});

it('plans a changed job as a whole run does', function (Closure $change) {
    $network = withJob("J1,10,X,MAIN,5,2026-03-20,1\nJ1,20,Y,MAIN,1,2026-03-25,0\n", [
        'sales' => "order,line,item,site,qty,due\nS1,1,X,MAIN,3,2026-03-19\n", 'forecasts' => "forecast,item,site,bucket,start,qty\nA,X,MAIN,week,2026-03-16,8\n",
    ])->network;
    $due = $network->jobLines[0]->due;
    $options = Options::of(planDate: $due - 18, horizonEnd: $due + 100, forecasts: ['A'], pegByPriority: true);
    $after = $change($network)->apply($network);
    $planner = new Planner;
    $whole = $planner->plan($after, $options);
    $net = Yposta\Core\NetChange\NetChange::plan($planner->plan($network, $options), $after);
    foreach (['demands.csv', 'supplies.csv', 'pegging.csv', 'messages.csv'] as $file) {
        expect(Support::rows($net, $file))->toBe(Support::rows($whole, $file), $file);
    }
})->with([
    'more of it' => [fn (Network $network) => new PutRows(JobLine::class, [$network->jobLines[0]->with(qty: 9 * ONE)])],
    'later' => [fn (Network $network) => new PutRows(JobLine::class, [$network->jobLines[0]->with(due: $network->jobLines[0]->due + 9)])],
    'approved' => [fn (Network $network) => new PutRows(JobLine::class, [$network->jobLines[1]->with(approved: true)])],
    'no more' => [fn (Network $network) => new PutRows(JobLine::class, [], [['J1', '10']])],
    'less urgent than what competes with it' => [
        fn (Network $network) => new PutRows(JobHeading::class, [$network->jobs['J1']->with(priority: 9)]),
    ],
    'a new line' => [fn (Network $network) => new PutRows(JobLine::class, [$network->jobLines[0]->with(line: '5', qty: ONE)])],
    'issued' => [fn (Network $network) => new IssueToJob('J1', '10', ONE)],
]);

it('comes after a forecast and before transfers, components, safety stock and sales that are as urgent', function () {
    $plan = Support::plan(Support::small([
        'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-06-30\nforecasts,A\nconsume,off\n",
        'items' => "item\nX\nY\n", 'sites' => "site,calendar\nMAIN,WORK\nEAST,WORK\n",
        'planning' => "item,site,supply,lead_days,from_site\nX,MAIN,make,3,\nY,MAIN,buy,50,\nY,EAST,transfer,2,MAIN\n", 'stock' => "item,site,qty\nY,MAIN,3\n",
        'orders' => "order,kind,status,item,site,from_site,qty,due,start,priority\nT1,transfer,firm,Y,EAST,MAIN,1,2026-03-18,2026-03-16,9\n",
        'forecasts' => "forecast,item,site,bucket,start,qty\nA,Y,MAIN,day,2026-03-16,1\n", 'jobs' => "job,priority\nJ1,9\n",
        'job_lines' => "job,line,item,site,qty,due,approved\nJ1,2,Y,MAIN,1,2026-03-16,1\nJ1,10,Y,MAIN,1,2026-03-16,1\n",
        'sales' => "order,line,item,site,qty,due,priority\nS1,1,Y,MAIN,1,2026-03-16,9\n",
    ]));
    $pegs = array_filter(Support::rows($plan, 'pegs.csv'), fn (array $row) => $row['supply'] === 'stock:Y@MAIN');

    expect(array_values(array_column($pegs, 'demand')))->toBe(['forecast:A/2026-03-16', 'job:J1/2', 'job:J1/10']);
});
