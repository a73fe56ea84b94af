<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\CentreTime;
use Yposta\Core\Capacity\OpenTime;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Capacity\Work;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Buckets;
use Yposta\Core\Plan\Causes;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * The load of work centres by period with what causes it (scheduling rules, section 3): what is to be made is laid backward from its due
 * date, as if capacity had no end; what is scheduled lies where the schedule has it. What lies before the plan date counts in its period,
 * what lies after the last period is left out.
 */
final class Load
{
    public const COLUMNS = ['work_centre', 'start', 'capacity_min', 'load_min', 'sales_min', 'forecast_min', 'safety_min', 'stock_min'];

    /** @var list<array{int, int}> first and last day of each period */
    public readonly array $periods;

    /** @var array<string, list<LoadCell>> by centre, by place of the period */
    public array $cells = [];

    private readonly Causes $causes;

    /** The first minute that counts. */
    private readonly int $now;

    /** @var array<string, OpenTime> by centre */
    private array $open = [];

    /** @var array<string, list<int>> open minutes from the plan date to the end of each period, by centre */
    private array $ends = [];

    /**
     * @param  BucketSize|null  $bucket  of its periods; that of the plan without
     * @param  (callable(Supply): float)|null  $part  how much of the work of an order or proposal counts, from 0 to 1; all without
     */
    public function __construct(
        private readonly Plan $plan,
        private readonly Shop $shop,
        ?BucketSize $bucket = null,
        ?callable $part = null,
    ) {
        $options = $plan->options;
        $this->periods = (new Buckets($bucket ?? $options->bucket, $options->planDate, $options->horizonEnd))->spans();
        $this->now = $options->planDate * Minute::DAY;
        $this->causes = new Causes($plan);
        foreach ($shop->centres() as $centre) {
            $this->cells[$centre] = array_map(fn (int $capacity) => new LoadCell($capacity), $this->capacities($centre));
        }
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                $counts = $part === null ? 1.0 : $part($supply);
                foreach ($counts > 0 ? $this->laid($supply) : [] as $laid) {
                    $this->count($laid, $counts);
                }
            }
        }
    }

    /** The place of the period that a day lies in; of the first or the last for a day before or behind all. */
    public function placeOf(int $day): int
    {
        foreach ($this->periods as $place => [, $last]) {
            if ($day <= $last) {
                return $place;
            }
        }

        return count($this->periods) - 1;
    }

    /** @return list<LoadEntry> what lies in a period at a centre, by order and operation as the plan has them */
    public function at(string $centre, int $place): array
    {
        $entries = [];
        foreach ($this->plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                foreach ($this->laid($supply) as $laid) {
                    $minutes = $laid->work->centre === $centre ? $this->spread($laid)[$place] ?? 0 : 0;
                    $minutes > 0 && $entries[] = new LoadEntry($laid, $minutes);
                }
            }
        }

        return $entries;
    }

    /** Whole hours by which work centres have more to do than they can, of all periods. */
    public function hoursOver(): int
    {
        $over = 0.0;
        foreach ($this->cells as $cells) {
            foreach ($cells as $cell) {
                $over += max(0.0, $cell->load - $cell->capacity);
            }
        }

        return (int) round($over / 60);
    }

    /** Minutes of units of a centre in a period by its shifts and working days alone, from the plan date on. */
    public function undisturbed(string $centre, int $place): int
    {
        return $this->capacityOf($this->shop->time($centre)->undisturbed(), ...$this->periods[$place]);
    }

    /**
     * Rows of `load.csv`: every centre and period, minutes with two decimals where they are shared out.
     *
     * @return iterable<list<string>>
     */
    public function rows(): iterable
    {
        foreach ($this->cells as $centre => $cells) {
            foreach ($cells as $place => $cell) {
                yield [
                    (string) $centre, Day::format($this->periods[$place][0]), (string) $cell->capacity,
                    ...array_map(
                        fn (float $minutes) => sprintf('%.2f', $minutes),
                        [$cell->load, $cell->sales, $cell->forecast, $cell->safety, $cell->stock()],
                    ),
                ];
            }
        }
    }

    /** @return list<LaidWork> the operations of an order or a proposal, the last first */
    public function laid(Supply $supply): array
    {
        if ($this->plan->inShop($supply) !== []) {
            return $this->scheduled($supply);
        }
        $end = (max($supply->due, $this->plan->options->planDate) + 1) * Minute::DAY;
        $laid = [];
        $queue = 0;
        foreach (array_reverse($this->works($supply)) as $work) {
            $end -= Quantity::lots($queue + $work->move, Quantity::ONE);
            $first = $this->firstMinute($work, $end);
            $laid[] = new LaidWork($supply, $work, $first, $end);
            $end = $first ?? $this->now;
            $queue = $work->queue;
        }

        return $laid;
    }

    /** @return list<LaidWork> the last first */
    private function scheduled(Supply $supply): array
    {
        $works = array_column($this->works($supply), null, 'op');
        $laid = [];
        foreach (array_reverse($this->plan->inShop($supply)) as $place) {
            $work = $works[$place->op]->at($place->workCentre, $place->minutes, $place->setup);
            $laid[] = new LaidWork($supply, $work, $place->start, $place->end, $place);
        }

        return $laid;
    }

    /** @return list<Work> */
    private function works(Supply $supply): array
    {
        if ($supply->type !== OrderKind::Make) {
            return [];
        }
        if ($supply->kind === SupplyKind::Order) {
            return $this->shop->routings->ofOrder($this->plan->network->orders[$supply->name]);
        }
        $point = $this->plan->structure->points[$supply->point];

        return $this->shop->routings->ofProposal($point->item->code, $point->site->code, $supply->qty);
    }

    /** The first of the latest minutes before an end at which the centre has a unit on; null where it lies before the plan date. */
    private function firstMinute(Work $work, int $end): ?int
    {
        $open = $end <= $this->now ? 0 : $this->open($work->centre)->until($end);

        return match (true) {
            $work->minutes === 0 => $end < $this->now ? null : $end,
            $work->minutes > $open => null,
            default => $this->open($work->centre)->minuteAt($open - $work->minutes),
        };
    }

    /** @param  float  $part  of its work that counts */
    private function count(LaidWork $laid, float $part): void
    {
        $shares = $this->causes->shares($laid->supply);
        $cells = $this->cells[$laid->work->centre];
        foreach ($this->spread($laid) as $place => $minutes) {
            $cells[$place]->add($minutes * $part, $shares);
        }
    }

    /** @return array<int, int> minutes of all its units by place of the period */
    public function spread(LaidWork $laid): array
    {
        if ($laid->place !== null) {
            return $this->spreadOfPlace($laid->place);
        }
        $work = $laid->work;
        $to = $laid->end <= $this->now ? 0 : $this->open($work->centre)->until($laid->end);
        $from = $to - $work->minutes;
        $ends = $this->ends[$work->centre] ??= $this->endsOf($work->centre);
        $spread = [];
        for ($place = self::place($ends, $from); $from < $to && isset($ends[$place]); $place++) {
            $here = min($to, $ends[$place]) - $from;
            $spread[$place] = $here * $work->crew;
            $from += $here;
        }

        return $spread;
    }

    /** @return array<int, int> minutes of all its units by place of the period; it holds them while all are on */
    private function spreadOfPlace(ShopPlace $place): array
    {
        $open = $this->shop->open($place->workCentre, $place->units, $place->start);
        $spread = [];
        foreach ($this->periods as $period => [$first, $last]) {
            $from = max($place->start, $first * Minute::DAY);
            $to = min($place->end, ($last + 1) * Minute::DAY);
            $to > $from && $spread[$period] = ($open->until($to) - $open->until($from)) * count($place->units);
        }

        return array_filter($spread);
    }

    private function open(string $centre): OpenTime
    {
        return $this->open[$centre] ??= new OpenTime($this->shop->time($centre), $this->plan->options->planDate);
    }

    /** @return list<int> */
    private function endsOf(string $centre): array
    {
        return array_map(fn (array $period) => $this->open($centre)->until(($period[1] + 1) * Minute::DAY), $this->periods);
    }

    /**
     * The first period that ends behind an open minute.
     *
     * @param  list<int>  $ends
     */
    private static function place(array $ends, int $open): int
    {
        $low = 0;
        $high = count($ends);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($ends[$middle] <= max(0, $open)) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $open < 0 ? 0 : $low;
    }

    /** @return list<int> minutes of units by period, in that of the plan date from that on */
    private function capacities(string $centre): array
    {
        $time = $this->shop->time($centre);

        return array_map(fn (array $period) => $this->capacityOf($time, ...$period), $this->periods);
    }

    private function capacityOf(CentreTime $time, int $from, int $to): int
    {
        $capacity = 0;
        for ($day = max($from, $this->plan->options->planDate); $day <= $to; $day++) {
            foreach ($time->day($day) as $stretch) {
                $capacity += $stretch->minutes() * $stretch->units->count;
            }
        }

        return $capacity;
    }
}
