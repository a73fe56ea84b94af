<?php

declare(strict_types=1);

use Benchmarks\RandomShop;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Tests\Reference\NaiveShop;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Capacity\OpenTime;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Scheduling\Load;

/** A random shop with a short horizon, so that it can be gone through minute by minute. */
function smallShop(int $seed): array
{
    $files = (new RandomShop($seed, 24, 4))->files();
    $files['plan.csv'] = str_replace(Day::format(Day::parse('2026-03-02') + 180), '2026-04-05', $files['plan.csv']);
    $seed % 2 === 0 && $files['plan.csv'] = str_replace('bucket,week', 'bucket,day', $files['plan.csv']);

    $seed % 3 === 0 && $files['plan.csv'] .= "calendars,off\n";

    return [$files, array_map(fn (string $text) => Support::parse(preg_replace('/^\n/m', '', $text)), $files)];
}

/** What an operation takes, with fractions: minutes, queue, move. */
function naiveWork(array $files, Plan $plan, Supply $supply): array
{
    $point = $plan->structure->points[$supply->point];
    $of = fn (string $site) => array_filter(
        $files['operations.csv'],
        fn (array $row) => $row['item'] === $point->item->code && $row['site'] === $site,
    );
    $master = $of($point->site->code) ?: $of('');
    $rows = $supply->kind === SupplyKind::Order
        ? array_filter($files['order_operations.csv'], fn (array $row) => $row['order'] === $supply->name)
        : [];
    $whole = $supply->kind === SupplyKind::Order ? $plan->network->orders[$supply->name]->qty : $supply->qty;
    $works = [];
    foreach ($rows ?: $master as $row) {
        $like = array_values(array_filter($master, fn (array $one) => $one['op'] === $row['op']))[0] ?? null;
        $done = BigRational::of($row['done_qty'] ?? '0');
        $qty = BigRational::of($whole)->dividedBy(1_000_000)->minus($done);
        if ($qty->isNegativeOrZero()) {
            continue;
        }
        $setup = $done->isZero() ? $row['setup_min'] : '0';
        $minutes = BigRational::of($row['run_min'])->multipliedBy($qty)->dividedBy($rows ? '1' : $row['base_qty'])->plus($setup)
            ->multipliedBy(100)->dividedBy($plan->network->workCentres[$row['work_centre']]->efficiency)->multipliedBy(1_000_000);
        $works[(int) $row['op']] = [
            'centre' => $row['work_centre'], 'crew' => (int) $row['crew'], 'minutes' => $minutes->toScale(0, RoundingMode::UP)->toInt(),
            'queue' => BigRational::of($like['queue_min'] ?? '0'), 'move' => BigRational::of($like['move_min'] ?? '0'),
        ];
    }
    ksort($works);

    return array_values($works);
}

it('opens each centre, and each of its units, at the minutes at which a plain second computation does', function (int $seed) {
    [$files, $rows] = smallShop($seed);
    $contents = Support::bundle($files);
    $shop = new Shop($contents->network, $contents->options->calendars);
    $naive = new NaiveShop($rows, '2026-02-26', 50);
    $first = Day::parse('2026-02-26');
    foreach ($shop->centres() as $centre) {
        $on = [];
        for ($day = $first; $day < $first + 45; $day++) {
            $last = $day * 1440;
            foreach ($shop->time($centre)->day($day) as $stretch) {
                expect($stretch->from)->toBeGreaterThanOrEqual($last)->and($stretch->to)->toBeGreaterThan($stretch->from)
                    ->toBeLessThanOrEqual(($day + 1) * 1440);
                $last = $stretch->to;
                for ($minute = $stretch->from; $minute < $stretch->to; $minute++) {
                    $on[$minute] = $stretch->units->numbers();
                }
            }
        }
        for ($minute = $first * 1440; $minute < ($first + 45) * 1440; $minute++) {
            if (($on[$minute] ?? []) !== $naive->on($centre, $minute)) {
                expect($on[$minute] ?? [])->toBe($naive->on($centre, $minute), "{$centre} at {$minute}");
            }
        }
        $open = new OpenTime($shop->time($centre), $first);
        $minutes = array_keys($on);
        foreach ([0, 1, intdiv(count($minutes), 2), count($minutes) - 1] as $place) {
            expect($open->until($minutes[$place]))->toBe($place)->and($open->until($minutes[$place] + 1))->toBe($place + 1)
                ->and($open->minuteAt($place))->toBe($minutes[$place]);
        }
    }
})->with(range(1, 12));

it('has the load and its causes that a plain second computation finds minute by minute', function (int $seed) {
    [$files, $rows] = smallShop($seed);
    $plan = Support::plan(Support::bundle($files));
    $load = new Load($plan, new Shop($plan->network, $plan->options->calendars));
    $planDate = $plan->options->planDate;
    $naive = new NaiveShop($rows, Day::format($planDate - 120), 330);
    $pegs = [];
    foreach ($plan->pegs() as $peg) {
        $pegs[spl_object_id($peg->supply)][] = $peg;
    }
    $sharesOf = function (Supply $supply) use (&$sharesOf, $pegs): array {
        $shares = [0, 0, 0];
        foreach ($pegs[spl_object_id($supply)] ?? [] as $peg) {
            $of = match ($peg->demand->kind) {
                DemandKind::Sales => [1, 0, 0], DemandKind::Forecast => [0, 1, 0], DemandKind::Safety => [0, 0, 1],
                default => $sharesOf($peg->demand->for),
            };
            foreach ([0, 1, 2] as $cause) {
                $shares[$cause] += $of[$cause] * $peg->qty / $supply->qty;
            }
        }

        return $shares;
    };
    $found = [];
    $laid = 0;
    foreach (array_merge(...array_values($plan->supplies)) as $supply) {
        if ($supply->type !== OrderKind::Make) {
            continue;
        }
        $end = BigRational::of((max($supply->due, $planDate) + 1) * 1440);
        $shares = $sharesOf($supply);
        $lies = $load->laid($supply);
        foreach (array_reverse(naiveWork($rows, $plan, $supply)) as $place => $work) {
            $end = $end->minus($work['move']);
            $minute = $end->toScale(0, RoundingMode::FLOOR)->toInt();
            for ($left = $work['minutes']; $left > 0 && $minute > ($planDate - 118) * 1440;) {
                if ($naive->on($work['centre'], --$minute) !== []) {
                    $left--;
                    $day = max($planDate, intdiv($minute, 1440));
                    foreach ($load->periods as $period => [$from, $to]) {
                        if ($day >= $from && $day <= $to) {
                            $found[$work['centre']][$period] ??= [0, 0, 0, 0];
                            foreach ([1, ...$shares] as $cause => $share) {
                                $found[$work['centre']][$period][$cause] += $work['crew'] * $share;
                            }
                        }
                    }
                }
            }
            $first = $minute < $planDate * 1440 ? null : $minute;
            expect($left)->toBe(0)->and($lies[$place]->first)->toBe($first, "{$supply->name} {$place}");
            $end = BigRational::of($minute)->minus($work['queue']);
            $laid++;
        }
    }
    $far = [];
    foreach ($load->cells as $centre => $cells) {
        foreach ($cells as $place => $cell) {
            $units = 0;
            [$from, $to] = $load->periods[$place];
            for ($minute = max($from, $planDate) * 1440; $minute < ($to + 1) * 1440; $minute++) {
                $units += count($naive->on($centre, $minute));
            }
            $wanted = $found[$centre][$place] ?? [0, 0, 0, 0];
            $is = [$cell->load, $cell->sales, $cell->forecast, $cell->safety];
            foreach ($wanted as $cause => $minutes) {
                abs($minutes - $is[$cause]) < 0.001 || $far[] = "{$centre} {$place} {$cause}: {$is[$cause]}, not {$minutes}";
            }
            $cell->capacity === $units || $far[] = "{$centre} {$place}: capacity {$cell->capacity}, not {$units}";
        }
    }
    expect($far)->toBe([])->and($laid)->toBeGreaterThan(10);
})->with(range(1, 8));

it('takes its lead time from its operations where it has none of its own', function (int $seed) {
    [$files, $rows] = smallShop($seed);
    $plan = Support::plan(Support::bundle($files));
    $open = fn (string $centre) => (function () use ($rows, $centre): int {
        $shifts = array_filter($rows['shifts.csv'], fn (array $row) => $row['work_centre'] === $centre);
        $longest = $shifts === [] ? 1440 : 0;
        foreach (range(1, 7) as $weekday) {
            $minutes = [];
            foreach ($shifts as $shift) {
                if (str_contains($shift['weekdays'], (string) $weekday)) {
                    $clock = fn (string $time) => (int) substr($time, 0, 2) * 60 + (int) substr($time, 3);
                    [$from, $to] = [$clock($shift['from']), $clock($shift['to'])];
                    $minutes += array_fill_keys(range($from, ($to > $from ? $to : $to + 1440) - 1), true);
                }
            }
            $longest = max($longest, count($minutes));
        }

        return $longest;
    })();
    $seen = 0;
    foreach ($plan->proposals() as $proposal) {
        $point = $plan->structure->points[$proposal->point];
        if ($point->operations === null) {
            continue;
        }
        $days = BigRational::zero();
        foreach (naiveWork($rows, $plan, $proposal) as $work) {
            $days = $days->plus($work['queue']->plus($work['move'])->plus($work['minutes'])->dividedBy($open($work['centre'])));
        }
        $lead = $days->toScale(0, RoundingMode::UP)->toInt();
        expect($point->leadFor($proposal->qty))->toBe($lead)->and($proposal->reason?->lead)->toBe($lead)
            ->and($proposal->start)->toBe($point->calendar->back($proposal->due, $lead));
        $seen++;
    }
    expect($seen)->toBeGreaterThan(0);
})->with([1, 2, 3, 4, 5, 6]);
