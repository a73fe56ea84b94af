<?php

declare(strict_types=1);

use Benchmarks\RandomShop;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\RandomChange;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\Scheduler;
use Yposta\Core\Scheduling\ScheduleRule;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\CloseCentre;
use Yposta\Core\Study\KeptSchedule;
use Yposta\Core\Study\PlaceProposals;

/** @return array<string, list<array<string, string>>|list<string>> all that a plan says, with where operations stand */
function shopRows(Plan $plan): array
{
    $files = [];
    foreach (['proposals.csv', 'pegs.csv', 'demands.csv', 'messages.csv', 'buckets.csv'] as $file) {
        $files[$file] = Support::rows($plan, $file);
    }
    foreach ($plan->supplies as $supplies) {
        foreach ($supplies as $supply) {
            foreach ($plan->inShop($supply) as $place) {
                $files['shop'][] = implode(' ', [
                    $supply->reference(), $place->op, $place->workCentre, implode(';', $place->units), $place->ready, $place->start,
                    $place->end,
                ]);
            }
        }
    }

    sort($files['shop']);

    return $files;
}

/** A centre that is down for some days more. */
function brokenAt(Network $network, Randomizer $random): Network
{
    $centres = array_keys($network->workCentres);
    $day = Day::parse('2026-03-02') + $random->getInt(0, 10);

    return (new CloseCentre(
        $centres[$random->getInt(0, count($centres) - 1)], Day::format($day).' 06:00', Day::format($day + $random->getInt(1, 4)).' 12:00',
    ))->apply($network);
}

it('goes on from a plan with a schedule as a whole run would', function (int $seed) {
    $files = (new RandomShop($seed, 40, 4))->files();
    $files['plan.csv'] .= "schedule,on\nschedule_days,15\n";
    $contents = Support::bundle($files);
    $network = $contents->network;
    $plan = Support::plan($contents);
    expect(shopRows($plan)['shop'])->not->toBeEmpty();
    $random = new Randomizer(new Mt19937($seed));
    $changes = new RandomChange($random);
    for ($step = 0; $step < 6; $step++) {
        $network = $changes->to($network);
        $step % 2 === 1 && $network = brokenAt($network, $random);
        $plan = NetChange::plan($plan, $network);
        expect(shopRows($plan))->toBe(shopRows((new Planner)->plan($network, $contents->options)), "seed {$seed}, step {$step}: {$changes->last}");
    }
})->with(range(401, 408));

it('finds what was kept where the schedule had it, proposals too', function (int $seed) {
    $files = (new RandomShop($seed, 40, 4))->files();
    unset($files['setup_changes.csv']); // where setups depend on what ran before, a faster centre takes them at its own speed
    $contents = Support::bundle($files);
    $plan = Support::plan($contents);
    $options = new ScheduleOptions(now: $plan->options->planDate * 1440, rule: ScheduleRule::Priority, proposalsDays: 15);
    $scheduled = (new Scheduler($plan, ShopPlan::shop($plan), $options))->schedule()->orders();
    $changes = KeptSchedule::changes($contents->network, $scheduled);
    $network = (new Changes($changes))->apply($contents->network);
    expect($scheduled)->not->toBeEmpty()->and(KeptSchedule::changes($network, $scheduled))->toBe([])
        ->and(array_filter($changes, fn ($change) => $change instanceof PlaceProposals))->toHaveCount(1);

    $again = ShopPlan::asItStands((new Planner)->plan($network, $contents->options), 15);
    expect($again->figures())->toMatchArray(['moved' => 0, 'frozen_moved' => 0]);
    foreach ($again->orders() as $number => $order) {
        foreach ($order->places as $operation => $place) {
            $was = $scheduled[$number]->places[$operation];
            expect([$order->supply->reference(), $place->op, $place->workCentre, $place->units, $place->start])
                ->toBe([$scheduled[$number]->supply->reference(), $was->op, $was->workCentre, $was->units, $was->start])
                ->and($was->end - $place->end)->toBeBetween(0, 2 * count($scheduled)); // times of a piece are rounded down
        }
    }
    $back = $network;
    foreach ((new Changes($changes))->inverse($contents->network) as $change) {
        $back = ChangeCodec::decode(ChangeCodec::encode($change))->apply($back);
    }
    expect($back->proposalOperations)->toBe([])->and($back->orderOperations)->toEqualCanonicalizing($contents->network->orderOperations);
})->with(range(451, 458));

it('moves only what a broken machine is in the way of', function () {
    $files = Support::smallFiles([
        'items' => "item\nA\nB\nC\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\nB,MAIN,make,1\nC,MAIN,make,1\n",
        'work_centres' => "work_centre,site,units\nSAW,MAIN,1\nOVEN,MAIN,1\n",
        'operations' => "item,op,work_centre,run_min\nA,10,SAW,60\nB,10,SAW,60\nC,10,OVEN,60\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,1,2026-03-02\nM2,make,firm,B,MAIN,1,2026-03-02\nM3,make,firm,C,MAIN,1,2026-03-02\n",
        'order_operations' => "order,op,work_centre,run_min,start,end,units\nM1,10,SAW,60,2026-03-02 06:00,2026-03-02 07:00,1\n"
            ."M2,10,SAW,60,2026-03-02 09:00,2026-03-02 10:00,1\nM3,10,OVEN,60,2026-03-02 09:00,2026-03-02 10:00,1\n",
        'sales' => "order,line,item,site,customer,qty,due\nS1,1,B,MAIN,X,1,2026-03-02\n",
        'closures' => "work_centre,from,to,reason\nSAW,2026-03-02 08:00,2026-03-03 08:00,broken\n",
    ]);
    $files['plan.csv'] .= "schedule,on\n";
    $plan = Support::plan(Support::bundle($files));
    $stands = [];
    foreach (array_merge(...array_values($plan->supplies)) as $supply) {
        foreach ($plan->inShop($supply) as $place) {
            $stands[$supply->name] = Minute::format($place->start);
        }
    }
    ksort($stands);
    expect($stands)->toBe(['M1' => '2026-03-02 06:00', 'M2' => '2026-03-02 00:00', 'M3' => '2026-03-02 09:00']);
});

it('has as much load as there is in the schedule, where the schedule has it', function (int $seed) {
    $files = (new RandomShop($seed, 30, 4))->files();
    $files['orders.csv'] = preg_replace('/,1$/m', ',0', $files['orders.csv']); // none is held back, so that all is in the schedule
    $files['plan.csv'] .= "schedule,on\nschedule_days,400\n";
    $plan = Support::plan(Support::bundle($files));
    $shop = ShopPlan::shop($plan);
    $load = new Load($plan, $shop, BucketSize::Day);
    $wanted = [];
    foreach (array_merge(...array_values($plan->supplies)) as $supply) {
        foreach ($plan->inShop($supply) as $place) {
            foreach (range(Minute::day($place->start) - 1, Minute::day($place->end)) as $day) {
                foreach ($shop->time($place->workCentre)->day($day) as $stretch) {
                    for ($minute = max($stretch->from, $place->start); $minute < min($stretch->to, $place->end); $minute++) {
                        $key = "{$place->workCentre} ".Minute::day($minute);
                        $stretch->units->haveAll($place->units) && $wanted[$key] = ($wanted[$key] ?? 0) + count($place->units);
                    }
                }
            }
        }
    }
    expect(array_sum($wanted))->toBeGreaterThan(1_000);
    foreach ($load->cells as $centre => $cells) {
        foreach ($cells as $place => $cell) {
            $day = $load->periods[$place][0];
            expect((int) round($cell->load))->toBe($wanted["{$centre} {$day}"] ?? 0, "seed {$seed} {$centre} {$day}");
        }
    }
})->with(range(461, 463));

/** What a plan with the shop says of orders of A, which take an hour at the saw each, with old places. */
function sawMessages(string $operations, array $more = []): array
{
    $files = Support::smallFiles([
        'items' => "item\nA\n", 'planning' => "item,site,supply,lead_days\nA,MAIN,make,1\n", 'work_centres' => "work_centre,site,units\nSAW,MAIN,1\n",
        'shifts' => "work_centre,weekdays,from,to\nSAW,12345,06:00,14:00\n",
        'operations' => "item,op,work_centre,run_min\nA,10,SAW,60\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,A,MAIN,1,2026-03-20\nM2,make,firm,A,MAIN,1,2026-03-20\n",
        'order_operations' => "order,op,work_centre,run_min,start,end,units,fixed\n{$operations}", ...$more,
    ]);
    $files['plan.csv'] .= "schedule,on\n";
    $plan = Support::plan(Support::bundle($files));
    $codes = [MessageCode::Displaced, MessageCode::NoRoom, MessageCode::NoCapacity];
    $said = array_filter($plan->messages(), fn ($message) => in_array($message->code, $codes, true));

    return array_values(array_map(fn ($message) => "{$message->code->value} {$message->reference()}", $said));
}

it('tells of what a person has fixed and cannot stay, and of what has no room', function () {
    expect(sawMessages("M1,10,SAW,60,2026-03-03 06:00,,1,1\nM2,10,SAW,60,2026-03-03 07:00,,1,1\n"))->toBe([])
        // where the centre is closed
        ->and(sawMessages("M1,10,SAW,60,2026-03-03 05:00,,1,1\nM2,10,SAW,60,2026-03-03 07:00,,1,1\n"))->toBe(['displaced order:M1'])
        // two on one unit at once: the first of them stays
        ->and(sawMessages("M1,10,SAW,60,2026-03-03 06:00,,1,1\nM2,10,SAW,60,2026-03-03 06:30,,1,1\n"))->toBe(['displaced order:M2'])
        // what nobody has fixed moves without a word
        ->and(sawMessages("M1,10,SAW,60,2026-03-03 06:00,,1,0\nM2,10,SAW,60,2026-03-03 06:30,,1,0\n"))->toBe([])
        // work of more than ten years
        ->and(sawMessages("M1,10,SAW,2000000,,,,0\nM2,10,SAW,60,,,,0\n"))->toBe(['no_room order:M1']);
});
