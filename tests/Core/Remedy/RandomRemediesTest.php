<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Tests\Support;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Remedy\Remedies;
use Yposta\Core\Remedy\RemedyKind;
use Yposta\Core\Remedy\TriedRemedy;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\SplitOrder;
use Yposta\Core\Study\SwapComponent;
use Yposta\Core\Trial\Trial;

/**
 * A random company in which something can be done about most shortages: a second supplier for what is bought and some of what is made,
 * substitutes, stock at another site, priorities that count.
 */
function rescuable(int $seed): Contents
{
    $files = (new RandomBundle($seed, 60))->files();
    $items = array_column(Support::parse($files['items.csv']), 'item');
    $kinds = array_column(Support::parse($files['planning.csv']), 'supply', 'item');
    $files['suppliers.csv'] .= "FAST,Fast one,\n";
    $files['substitutes.csv'] = "item,component,substitute,ratio,rank\n";
    $files['stock.csv'] = rtrim($files['stock.csv'])."\n";
    foreach ($items as $number => $item) {
        $number % 3 === 0 || ($kinds[$item] ?? '') === 'transfer' || $files['supplier_items.csv'] .= "FAST,{$item},1,12,4,9\n";
        $number % 5 === 0 && $files['stock.csv'] .= "{$item},SIDE,7\n";
    }
    foreach (Support::parse($files['bom.csv']) as $number => $line) {
        $other = $items[($number * 7) % count($items)];
        $number % 2 === 0 && ! in_array($other, [$line['component'], $line['item']], true)
            && $files['substitutes.csv'] .= "{$line['item']},{$line['component']},{$other},".($number % 4 === 0 ? '2' : '0.5').",1\n";
    }
    $files['plan.csv'] = rtrim($files['plan.csv'])."\npeg_rule,".($seed % 2 === 0 ? 'priority' : 'date')."\n";

    return Support::bundle($files);
}

/** @return list<Need> those of the next months that are late, spread over the list */
function lateNeeds(Plan $plan, int $most): array
{
    $late = array_values(array_filter(
        (new Shortages($plan))->until($plan->options->planDate + 90),
        fn (Need $need) => $need->short > 0 && ($need->demand->lateDays() > 0 || $need->demand->uncovered > 0),
    ));
    $step = max(1, intdiv(count($late), $most));

    return array_values(array_filter($late, fn (int $place) => $place % $step === 0, ARRAY_FILTER_USE_KEY));
}

/** @return array{lateLines: int, lateDays: int, expected: array<string, int|null>} of sales lines, counted one by one */
function salesOf(Plan $plan): array
{
    $late = $days = 0;
    $expected = [];
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            if ($demand->kind === DemandKind::Sales) {
                $behind = $demand->expected === null ? 0 : max(0, $demand->expected - (int) $demand->date);
                $late += $behind > 0 ? 1 : 0;
                $days += $behind;
                $expected[$demand->reference()] = $demand->expected;
            }
        }
    }

    return ['lateLines' => $late, 'lateDays' => $days, 'expected' => $expected];
}

/** Plans the whole company anew with a remedy, and holds against it what was told. */
function holdsInAWholeRun(TriedRemedy $tried, Need $need, Network $network, Options $options, array $before): void
{
    $plan = (new Planner)->plan((new Changes($tried->remedy->changes))->apply($network), $options);
    $after = salesOf($plan);
    $about = $tried->remedy->about() ?: [$need->identity];
    $found = [];
    foreach ($plan->demands as $demands) {
        foreach ($demands as $demand) {
            $identity = $demand->kind === DemandKind::Safety ? '' : DemandIdentity::of($demand, $plan->structure);
            in_array($identity, $about, true) && $found[$identity] ??= $demand; // two of one name are told apart by nobody
        }
    }
    $later = [];
    foreach ($after['expected'] as $reference => $day) {
        $was = $before['expected'][$reference] ?? null;
        $was !== null && $day !== null && $day !== $was && $later[$reference] = $day - $was;
    }
    $told = [];
    foreach ($tried->effect->lines as $change) {
        $change->days() !== 0 && $told[$change->arrival()->reference] = $change->days();
    }
    ksort($later);
    ksort($told);

    expect($tried->effect->figures['lateLines'])->toBe([$before['lateLines'], $after['lateLines']])
        ->and($tried->effect->figures['lateDays'])->toBe([$before['lateDays'], $after['lateDays']])
        ->and($told)->toBe($later)
        ->and($tried->expected)->toBe(array_reduce(
            $found,
            fn (?int $last, Demand $one) => $one->expected === null || $last === null ? null : max($last, $one->expected),
            $found === [] ? null : 0,
        ))
        ->and($tried->solves)->toBe(
            array_filter($found, fn (Demand $one) => $one->uncovered > 0 || ($one->expected ?? 0) > $one->date) === [],
        );
}

/** What a remedy may take, buy or move, whatever it does for the need. */
function keepsToTheRules(TriedRemedy $tried, Need $need, Plan $plan): void
{
    $network = $plan->network;
    $isAbout = fn (string $reference) => in_array($reference, $tried->remedy->about(), true);
    foreach ($tried->remedy->changes as $change) {
        if ($change instanceof PutOrder && $change->order->supplier !== null && in_array(
            $tried->remedy->kind(),
            [RemedyKind::OtherSupplier, RemedyKind::BuyInstead],
            true,
        )) {
            $offer = array_values(array_filter(
                $network->supplierItems,
                fn ($row) => $row->supplier === $change->order->supplier && $row->item === $change->order->item,
            ))[0];
            expect($change->order->qty)->toBeGreaterThanOrEqual($offer->minQty ?? 0)
                ->and($offer->multiple === null || $change->order->qty % $offer->multiple === 0)->toBeTrue()
                ->and($change->order->qty)->toBeGreaterThanOrEqual($need->short);
        }
        if ($change instanceof PutOrder && $tried->remedy->kind() === RemedyKind::Transfer) {
            $stock = $used = 0;
            foreach ($plan->pegs() as $peg) {
                $peg->supply->kind === SupplyKind::Stock
                    && $peg->supply->reference() === (string) Reference::stock($change->order->item, (string) $change->order->fromSite)
                    && $used += $peg->qty;
            }
            foreach ($network->stock as $row) {
                $row->item === $change->order->item && $row->site === $change->order->fromSite && $stock += $row->qty;
            }
            expect($change->order->kind)->toBe(OrderKind::Transfer)
                ->and($change->order->qty)->toBeLessThanOrEqual(min($need->short, $stock - $used));
        }
        if ($change instanceof SwapComponent) {
            expect(array_filter(
                $network->substitutes,
                fn ($row) => $row->component === $need->point->item->code && $row->substitute === $change->substitute,
            ))->not->toBe([])->and($change->qty)->toBeLessThanOrEqual($need->short);
        }
        if ($change instanceof SplitOrder) {
            $order = $network->orders[$change->order];
            expect($change->qty)->toBeGreaterThan($order->received)->toBeLessThan($order->qty);
        }
        if ($change instanceof HoldSupply && $tried->remedy->kind() === RemedyKind::TakeFrom && $isAbout($change->demand)) {
            expect($change->qty)->toBeLessThanOrEqual($need->demand->qty);
        }
    }
    // a hold that is freed or lessened is of somebody less urgent, and of nobody whose order has been started
    foreach ($tried->remedy->changes as $change) {
        $held = $change instanceof FreeSupply || ($change instanceof HoldSupply && ! $isAbout($change->demand))
            ? $change->demand
            : null;
        foreach ($held === null ? [] : $plan->demands[$need->demand->point] as $other) {
            if ($other->reference() === $held) {
                expect($other->priority > $need->demand->priority
                    || ($other->priority === $need->demand->priority && $other->date >= $need->demand->date))->toBeTrue()
                    ->and($other->for?->released)->not->toBeTrue();
            }
        }
    }
}

/** @return list<string> */
function rowsOf(Network $network): array
{
    $rows = [];
    foreach (get_object_vars($network) as $name => $list) {
        foreach (is_array($list) ? $list : [] as $row) {
            $rows[] = $name.' '.json_encode($row, JSON_THROW_ON_ERROR);
        }
    }
    sort($rows);

    return $rows;
}

it('tells of each remedy what a whole run with it would, and keeps to the rules', function (int $seed) {
    $contents = rescuable($seed);
    $trial = new Trial($contents->network, $contents->options);
    $plan = Support::plan($contents);
    $before = salesOf($plan);
    $kinds = [];
    foreach (lateNeeds($plan, 14) as $need) {
        foreach ((new Remedies($trial))->for($need->identity) as $tried) {
            $kinds[$tried->remedy->kind()->value] = ($kinds[$tried->remedy->kind()->value] ?? 0) + 1;
            holdsInAWholeRun($tried, $need, $contents->network, $contents->options, $before);
            keepsToTheRules($tried, $need, $plan);
        }
    }
    expect(count($kinds))->toBeGreaterThan(3);
})->with([3, 8, 21]);

it('can be kept, sent and taken back, whatever it is', function () {
    $contents = rescuable(5);
    $trial = new Trial($contents->network, $contents->options);
    $rows = rowsOf($contents->network);
    $tried = 0;
    foreach (lateNeeds(Support::plan($contents), 12) as $need) {
        foreach ((new Remedies($trial))->for($need->identity) as $one) {
            $changes = new Changes($one->remedy->changes);
            $sent = array_map(fn (array $fields) => ChangeCodec::decode($fields), array_map(ChangeCodec::encode(...), $changes->list));
            $with = $changes->apply($contents->network);
            expect(rowsOf((new Changes($sent))->apply($contents->network)))->toBe(rowsOf($with))
                ->and(rowsOf((new Changes($changes->inverse($contents->network)))->apply($with)))->toBe($rows);
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(10);
});

it('knows every kind of remedy in a company of which something runs short', function () {
    $kinds = [];
    foreach ([5, 13, 3, 8, 21, 2, 34, 55] as $seed) {
        if (count($kinds) === count(RemedyKind::cases())) {
            break;
        }
        $contents = rescuable($seed);
        $trial = new Trial($contents->network, $contents->options);
        foreach (lateNeeds(Support::plan($contents), 25) as $need) {
            foreach ((new Remedies($trial))->for($need->identity) as $one) {
                $kinds[$one->remedy->kind()->value] = true;
                expect(Support::english()->on(Day::parse('2026-03-02'))->say($one->remedy->title()))->not->toMatch('/:[a-z]/')
                    ->and(Support::english()->on(Day::parse('2026-03-02'))->say($one->remedy->note()))->not->toMatch('/:[a-z]/');
            }
        }
    }
    ksort($kinds);
    $ofWorkCentres = [
        RemedyKind::DoEarlier, RemedyKind::DoLater, RemedyKind::OtherCentre, RemedyKind::OpenLonger, RemedyKind::SmallerLots,
        RemedyKind::LessForecast, RemedyKind::DoBefore, RemedyKind::LetGo, RemedyKind::SplitWork,
    ]; // held by a test of their own
    $all = array_map(fn (RemedyKind $kind) => $kind->value, array_udiff(
        RemedyKind::cases(), $ofWorkCentres, fn (RemedyKind $one, RemedyKind $other) => $one->value <=> $other->value,
    ));
    sort($all);

    expect(array_keys($kinds))->toBe($all);
});
