<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Tests\Support;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\NeedState;
use Yposta\Core\Shortage\Shortages;

it('says of each need what stock and orders do not cover in time', function (int $seed) {
    $plan = Support::plan(Support::bundle((new RandomBundle($seed, 40))->files()));
    $until = $plan->options->planDate + 40;
    $covered = $due = [];
    foreach ($plan->pegs() as $peg) {
        $id = spl_object_id($peg->demand);
        $inTime = $peg->supply->kind !== SupplyKind::Proposal && $peg->supply->available <= $peg->demand->date;
        $covered[$id] = ($covered[$id] ?? 0) + ($inTime ? $peg->qty : 0);
    }
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            $demand->kind !== DemandKind::Safety && $demand->date <= $until && $due[spl_object_id($demand)] = $demand;
        }
    }
    $needs = (new Shortages($plan))->until($until);
    $days = array_map(fn (Need $need) => (int) $need->demand->date, $needs);
    $sorted = $days;
    sort($sorted);
    expect($days)->toBe($sorted)->and(count($needs))->toBe(count($due))->toBeGreaterThan(10);
    foreach ($needs as $need) {
        $id = spl_object_id($need->demand);
        expect($due)->toHaveKey($id)->and($need->short)->toBe($need->demand->qty - ($covered[$id] ?? 0))
            ->and($need->state === NeedState::Covered)->toBe($need->short === 0);
        unset($due[$id]);
    }
})->with(range(61, 66));

it('finds a need by its identity, wherever it is looked for first', function (int $seed) {
    $plan = Support::plan(Support::bundle((new RandomBundle($seed, 40))->files()));
    $shortages = new Shortages($plan);
    $found = 0;
    foreach ($plan->demands as $index => $demands) {
        foreach ($demands as $demand) {
            if ($demand->kind === DemandKind::Safety || $found > 60) {
                continue;
            }
            $found++;
            $identity = DemandIdentity::of($demand, $plan->structure);
            $alone = $shortages->find($identity);
            expect($alone?->identity)->toBe($identity)->and($alone?->point->index)->toBe($index);
            foreach ([$index, 0, 9_999] as $near) {
                expect($shortages->find($identity, $near)?->demand)->toBe($alone?->demand);
            }
        }
    }
    expect($shortages->find('sales:NONE/1', 3))->toBeNull()->and($found)->toBeGreaterThan(30);
})->with([71, 72]);
