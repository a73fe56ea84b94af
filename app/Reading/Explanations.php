<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\Explanation;
use App\Reading\Shapes\ExplanationLine;
use App\Reading\Shapes\ExplanationPeg;
use App\Reading\Shapes\Tone;
use App\Support\Words;
use OutOfRangeException;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Plan\BucketRow;
use Yposta\Core\Plan\LotArithmetic;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** Puts the arithmetic of the core into words: where a number of the plan comes from. */
final readonly class Explanations
{
    private Describe $describe;

    public function __construct(private StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
    }

    /** Why a proposal is as large as it is, and when it starts. Its point must have been loaded. */
    public function proposal(Supply $proposal): Explanation
    {
        $point = $this->plan->pointOf($proposal->point);
        $lines = [...$this->need($proposal, $point), ...$this->lot($proposal, $point), ...$this->dates($proposal, $point)];
        $pegs = $this->plan->pegsOfSupplies([$this->plan->numberOf($proposal)]);

        return new Explanation(
            trans(
                ':qty of :item proposed, wanted by :day',
                [
                    'qty' => Words::quantity($proposal->qty, $point->unit),
                    'item' => $point->item,
                    'day' => $this->day($proposal->reason->wanted ?? $proposal->due),
                ],
            ),
            $lines, trans('Serves'), $this->describe->serves($proposal, array_values($pegs)[0]),
        );
    }

    /**
     * How a balance of the record comes about.
     *
     * @param  list<BucketRow>  $rows  all buckets of the point
     */
    public function balance(StoredPoint $point, array $rows, int $place, bool $asExpected): Explanation
    {
        $row = $rows[$place] ?? throw new OutOfRangeException('there is no such bucket');
        $before = $rows[$place - 1] ?? null;
        $opening = $before === null
            ? array_sum(array_map(fn (Supply $supply) => $supply->kind === SupplyKind::Stock ? $supply->qty : 0, $point->supplies))
            : ($asExpected ? $before->expectedBalance : $before->balance);
        $balance = $asExpected ? $row->expectedBalance : $row->balance;
        $lines = [$this->line($before === null ? 'opening_stock' : 'opening', $opening)];
        foreach ([
            [$asExpected ? 'in_orders_expected' : 'in_orders', $asExpected ? $row->receiptsExpected : $row->receipts],
            [$asExpected ? 'in_proposals_expected' : 'in_proposals', $asExpected ? $row->proposalsExpected : $row->proposalsDue],
            ['out_sales', -$row->sales], ['out_forecast', -$row->forecast], ['out_parts', -$row->parts], ['out_transfers', -$row->out],
        ] as [$code, $qty]) {
            $qty === 0 || $lines[] = $this->line($code, $qty);
        }
        $lines[] = $this->line('balance', $balance, Tone::Sum, ['day' => $this->day($row->end)]);
        if ($balance < 0) {
            $lines[] = $this->line('below_zero', null, Tone::Broken, ['qty' => Words::quantity(-$balance, $point->unit)]);
        } elseif (($lowest = $asExpected ? $row->expectedLowest : $row->lowest) < 0) {
            $lines[] = $this->line('dip', null, Tone::Broken, ['qty' => Words::quantity(-$lowest, $point->unit)]);
        } elseif ($balance < $point->rules->safetyStock) {
            $lines[] = $this->line('below_safety', null, Tone::Broken, [
                'qty' => Words::quantity($point->rules->safetyStock - $balance, $point->unit),
                'safety' => Words::quantity($point->rules->safetyStock, $point->unit),
            ]);
        }

        return new Explanation(
            $this->span($point, $row), $lines, trans('What moves in this time'), $this->moves($point, $row, $asExpected),
        );
    }

    /** What is needed of a point in a period, or proposed to be started, one by one. */
    public function period(StoredPoint $point, BucketRow $row, GridFigure $figure): Explanation
    {
        $lines = $moves = [];
        if ($figure === GridFigure::Needed) {
            $sums = ['out_sales' => $row->sales, 'out_forecast' => $row->forecast, 'out_parts' => $row->parts, 'out_transfers' => $row->out];
            foreach (array_filter($sums) as $code => $qty) {
                $lines[] = $this->line($code, $qty);
            }
            foreach ($point->demands as $demand) {
                if ($demand->kind !== DemandKind::Safety && $demand->need >= $row->start && $demand->need <= $row->end) {
                    $moves[] = [(int) $demand->need, $this->describe->demand($demand), $demand->qty];
                }
            }
        } else {
            foreach ($point->supplies as $supply) {
                $start = max($supply->start, $this->plan->planDate);
                if ($supply->isProposal() && $start >= $row->start && $start <= $row->end) {
                    $moves[] = [$start, $this->describe->supply($supply), $supply->qty];
                }
            }
        }
        $lines[] = $this->line('sum', $figure->of($row, false), Tone::Sum);
        usort($moves, fn (array $a, array $b) => $a[0] <=> $b[0]);

        return new Explanation(
            $this->span($point, $row), $lines,
            $figure === GridFigure::Needed ? trans('What needs it') : trans('What is to start'),
            array_map(fn (array $move) => new ExplanationPeg($move[1], $this->day($move[0]), Quantity::format($move[2])), $moves),
        );
    }

    private function span(StoredPoint $point, BucketRow $row): string
    {
        return trans(
            ':item at :site, :from to :to',
            [
                'item' => $point->item, 'site' => $point->site, 'from' => $this->day(max($row->start, $this->plan->planDate)),
                'to' => $this->day($row->end),
            ],
        );
    }

    /** What serves a demand, and when. */
    public function demand(Demand $demand): Explanation
    {
        $point = $this->plan->pointOf($demand->point);
        $number = $this->plan->numberOf($demand);
        $pegs = $this->plan->pegsOfDemands([$number])[$number];
        $rows = array_map(
            fn (Peg $peg) => new ExplanationPeg(
                $this->describe->supply($peg->supply),
                $peg->supply->kind === SupplyKind::Stock ? '' : $this->day($peg->supply->available),
                Quantity::format($peg->qty),
            ),
            $pegs,
        );
        $lines = [$this->line('needed', $demand->qty, Tone::Plain, ['day' => $this->day((int) $demand->date)])];
        $demand->uncovered > 0 && $lines[] = $this->line('uncovered', $demand->uncovered, Tone::Broken);
        if ($demand->originalDate !== null) {
            $lines[] = $this->line('was_due', null, Tone::Mute, ['day' => $this->day($demand->originalDate)]);
        }
        if ($demand->expected !== null) {
            $lines[] = $this->line(
                'complete', null, $demand->lateDays() > 0 ? Tone::Broken : Tone::Mute, ['day' => $this->day($demand->expected)],
            );
        }

        return new Explanation(
            trans(':qty of :item', ['qty' => Words::quantity($demand->qty, $point->unit), 'item' => $point->item]), $lines,
            trans('Served by'), $rows,
        );
    }

    /** @return list<ExplanationLine> */
    private function need(Supply $proposal, StoredPoint $point): array
    {
        $reason = $proposal->reason;
        if ($reason === null) {
            return [];
        }
        $parts = LotArithmetic::of($proposal, $point->supplies, $point->demands);
        $lines = [];
        if ($parts->until === null) {
            $lines[] = $this->line('balance_before', $reason->balance, Tone::Plain, ['day' => $this->day($reason->wanted)]);
        } else {
            $day = $this->day($parts->until);
            $lines[] = $this->line(
                'needed_by', $parts->needed, Tone::Plain,
                [
                    'day' => $day,
                    'count' => trans_choice('{1} 1 demand|[0,*] :count demands', $parts->demands, ['count' => $parts->demands]),
                ],
            );
            $lines[] = $this->line('on_hand', -$parts->stock);
            $parts->orders === 0 || $lines[] = $this->line('orders_by', -$parts->orders, Tone::Plain, ['day' => $day]);
            $parts->proposals === 0 || $lines[] = $this->line('proposals_before', -$parts->proposals);
        }
        $reason->target === 0
            || $lines[] = $this->line($point->rules->lotRule === LotRule::MinMax->value ? 'filled_to' : 'kept_safety', $reason->target);
        $lines[] = $this->line('net', $reason->net, Tone::Sum);

        return $lines;
    }

    /** @return list<ExplanationLine> */
    private function lot(Supply $proposal, StoredPoint $point): array
    {
        $rules = $point->rules;
        $reason = $proposal->reason;
        $lines = [];
        $say = function (string $code, array $values) use (&$lines): void {
            $lines[] = $this->line($code, null, Tone::Mute, $values);
        };
        if ($reason !== null && $reason->coversTo > $reason->wanted) {
            $say('grouped', ['days' => $rules->groupDays]);
        }
        if ($rules->lotRule === LotRule::Fixed->value) {
            $say('fixed_lot', ['qty' => Words::quantity($rules->fixedQty, $point->unit)]);
        } else {
            $rules->minQty > ($reason->net ?? 0) && $say('at_least', ['qty' => Words::quantity($rules->minQty, $point->unit)]);
            $rules->multiple > 0 && $say('rounded', ['qty' => Words::quantity($rules->multiple, $point->unit)]);
        }
        if ($reason !== null && $reason->lots > 1) {
            $rules->maxQty > 0
                ? $say('split', ['lot' => $reason->lot, 'lots' => $reason->lots, 'qty' => Words::quantity($rules->maxQty, $point->unit)])
                : $say('lot_of', ['lot' => $reason->lot, 'lots' => $reason->lots]);
        }
        if ($lines === [] && $reason?->net === $proposal->qty) {
            $say('lot_for_lot', []);
        }
        $lines[] = $this->line('this_lot', $proposal->qty, Tone::Sum);

        return $lines;
    }

    /** @return list<ExplanationLine> */
    private function dates(Supply $proposal, StoredPoint $point): array
    {
        $code = ['make' => 'start', 'buy' => 'order_by', 'transfer' => 'leave_by'][$proposal->type->value ?? 'make'];
        $lines = [];
        if ($proposal->reason !== null && $proposal->reason->wanted !== $proposal->due) {
            $lines[] = $this->line('frozen', null, Tone::Mute, ['wanted' => $this->day($proposal->reason->wanted)]);
        }
        $lines[] = $this->line(
            $code, null, Tone::Mute,
            ['start' => $this->day($proposal->start), 'lead' => $proposal->reason->lead ?? $point->rules->lead, 'due' => $this->day($proposal->due)],
        );
        if ($proposal->start < $this->plan->planDate) {
            $lines[] = $this->line('start_passed', null, Tone::Broken, ['earliest' => $this->day($proposal->earliest)]);
        }
        $waitsFor = $this->plan->waitsFor($proposal);
        if ($waitsFor !== null) {
            $lines[] = $this->line(
                'waits', null, Tone::Broken,
                ['expected' => $this->day($proposal->available), 'item' => $this->plan->pointOf($waitsFor->point)->item],
            );
        }
        if ($proposal->type?->value === 'buy' && $proposal->supplier === null) {
            $lines[] = $this->line('no_supplier', null, Tone::Broken);
        }

        return $lines;
    }

    /** @return list<ExplanationPeg> */
    private function moves(StoredPoint $point, BucketRow $row, bool $asExpected): array
    {
        $moves = [];
        foreach ($point->supplies as $supply) {
            $day = $asExpected ? $supply->available : $supply->effective;
            if ($supply->kind !== SupplyKind::Stock && $day >= $row->start && $day <= $row->end) {
                $moves[] = [
                    $day,
                    0,
                    new ExplanationPeg($this->describe->supply($supply), $this->day($day), '+'.Quantity::format($supply->qty)),
                ];
            }
        }
        foreach ($point->demands as $demand) {
            if ($demand->kind !== DemandKind::Safety && $demand->need >= $row->start && $demand->need <= $row->end) {
                $moves[] = [
                    (int) $demand->need,
                    1,
                    new ExplanationPeg($this->describe->demand($demand), $this->day((int) $demand->need), Quantity::format(-$demand->qty)),
                ];
            }
        }
        usort($moves, fn (array $a, array $b) => $a[0] <=> $b[0] ?: $a[1] <=> $b[1]);

        return array_column($moves, 2);
    }

    /** @param  array<string, string|int>  $values */
    private function line(string $code, ?int $qty, Tone $tone = Tone::Plain, array $values = []): ExplanationLine
    {
        return new ExplanationLine((string) trans("explain.{$code}", $values), $qty === null ? null : Quantity::format($qty), $tone);
    }

    private function day(int $day): string
    {
        return Words::day($day, $this->plan->planDate);
    }
}
