<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Network\BucketSize;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** Sums up the supplies and demands of a point by day, week or month (section 9, `buckets.csv`). */
final readonly class Buckets
{
    /** @var list<array{int, int}> first and last day of each bucket */
    private array $spans;

    /** @var array<int, int> place of the bucket of each day */
    private array $places;

    public function __construct(BucketSize $size, private int $planDate, int $horizonEnd)
    {
        $spans = $places = [];
        for ($day = $planDate; $day <= $horizonEnd; $day = $end + 1) {
            [$start, $end] = [$size->startOf($day), $size->endOf($day)];
            $places += array_fill($start, $end - $start + 1, count($spans));
            $spans[] = [$start, $end];
        }
        $this->spans = $spans;
        $this->places = $places;
    }

    /** @return list<array{int, int}> first and last day of each bucket, as day numbers */
    public function spans(): array
    {
        return $this->spans;
    }

    /**
     * @param  list<Supply>  $supplies
     * @param  list<Demand>  $demands
     * @param  int  $unit  in which the sums are counted, millionths; see {@see Quantity::unitFor()}
     * @return list<BucketRow>
     */
    public function of(array $supplies, array $demands, int $unit = 1): array
    {
        $rows = array_map(fn (array $span) => new BucketRow($span[0], $span[1]), $this->spans);
        $needed = $expected = [];
        foreach ($supplies as $supply) {
            $qty = intdiv($supply->qty, $unit);
            self::move($needed, $supply->effective, $qty);
            self::move($expected, $supply->available, $qty);
            if ($supply->kind === SupplyKind::Stock) {
                continue;
            }
            $due = $this->row($rows, $supply->effective);
            $there = $this->row($rows, $supply->available);
            if ($supply->isProposal()) {
                $due === null || $due->proposalsDue += $qty;
                $there === null || $there->proposalsExpected += $qty;
                $start = $this->row($rows, max($supply->start, $this->planDate));
                $start === null || $start->proposalsStart += $qty;
            } else {
                $due === null || $due->receipts += $qty;
                $there === null || $there->receiptsExpected += $qty;
            }
        }
        foreach ($demands as $demand) {
            $row = $demand->need === null ? null : $this->row($rows, $demand->need);
            if ($row === null) {
                continue;
            }
            $qty = intdiv($demand->qty, $unit);
            self::move($needed, (int) $demand->need, -$qty);
            self::move($expected, (int) $demand->need, -$qty);
            match ($demand->kind) {
                DemandKind::Sales, DemandKind::Job => $row->sales += $qty,
                DemandKind::Forecast => $row->forecast += $qty,
                DemandKind::Part => $row->parts += $qty,
                DemandKind::Out => $row->out += $qty,
                DemandKind::Safety => null,
            };
        }
        foreach (self::balances($rows, $needed) as $place => [$end, $lowest]) {
            $rows[$place]->balance = $end;
            $rows[$place]->lowest = $lowest;
        }
        foreach (self::balances($rows, $expected) as $place => [$end, $lowest]) {
            $rows[$place]->expectedBalance = $end;
            $rows[$place]->expectedLowest = $lowest;
        }

        return $rows;
    }

    /** @param  array<int, int>  $moves */
    private static function move(array &$moves, int $day, int $quantity): void
    {
        $moves[$day] = ($moves[$day] ?? 0) + $quantity;
    }

    /**
     * @param  list<BucketRow>  $rows
     * @param  array<int, int>  $moves  by day
     * @return list<array{int, int}> balance at the end and the lowest of a day's end, for each row
     */
    private static function balances(array $rows, array $moves): array
    {
        ksort($moves);
        $days = array_keys($moves);
        $days[] = PHP_INT_MAX;
        $place = 0;
        $balance = 0;
        $balances = [];
        foreach ($rows as $row) {
            if ($days[$place] > $row->end) { // nothing moves in it
                $balances[] = [$balance, $balance];

                continue;
            }
            $lowest = $days[$place] > $row->start && $balances !== [] ? $balance : null;
            for (; $days[$place] <= $row->end; $place++) {
                $balance += $moves[$days[$place]];
                $lowest = $lowest === null || $balance < $lowest ? $balance : $lowest;
            }
            $balances[] = [$balance, $lowest ?? $balance];
        }

        return $balances;
    }

    /** @param  list<BucketRow>  $rows */
    private function row(array $rows, int $day): ?BucketRow
    {
        $place = $this->places[$day] ?? null;

        return $place === null ? null : $rows[$place];
    }
}
