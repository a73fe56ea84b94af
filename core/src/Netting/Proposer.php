<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\LotReason;
use Yposta\Core\Plan\Message;
use Yposta\Core\Plan\MessageCode;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\Point;

/** Makes proposals for a net requirement: lots, dates, messages, and what they need in turn (section 5). */
final readonly class Proposer
{
    private LotSizing $lotSizing;

    public function __construct(private Workspace $work)
    {
        $this->lotSizing = new LotSizing;
    }

    /**
     * @param  int  $day  the need date that is short
     * @param  int  $coversTo  the last day whose demand is covered
     * @param  int  $balance  the balance that falls short, millionths
     * @param  int  $target  what it has to reach, millionths
     * @return int what the proposals add to the balance, millionths
     *
     * @throws QuantityOutOfRange
     */
    public function propose(Point $point, int $day, int $coversTo, int $balance, int $target, int $priority, ?Demand $tied): int
    {
        $net = Quantity::checked($target - $balance);
        $lots = $this->lotSizing->lots($point, $net);
        $due = $this->afterFrozen($point, $day);
        $made = 0;
        foreach ($lots as $place => $qty) {
            $proposal = $this->proposal($point, $qty, $due, $priority);
            $proposal->tied = $tied;
            $proposal->reason = new LotReason($day, $coversTo, $balance, $target, $net, $place + 1, count($lots));
            if ($due !== $day) {
                $this->say(MessageCode::Frozen, $proposal, $day, $due);
            }
            $this->explode($point, $proposal);
            $made += $qty;
        }

        return $made;
    }

    /** An open order counted before its time. */
    public function broughtIn(Supply $order, int $day): void
    {
        $order->effective = $day;
        $order->broughtIn = true;
        $this->say(MessageCode::BringIn, $order, $order->due, $day);
    }

    private function afterFrozen(Point $point, int $day): int
    {
        $frozen = $point->planning->frozenDays;
        $free = $this->work->options->planDate + $frozen;

        return $frozen > 0 && $day < $free ? $point->calendar->forward($free, 0) : $day;
    }

    private function proposal(Point $point, int $qty, int $due, int $priority): Supply
    {
        $planDate = $this->work->options->planDate;
        $number = count($this->work->proposals) + 1;
        $proposal = new Supply(
            $point->index, SupplyKind::Proposal, $point->supply(), (string) $number, SupplyKind::Proposal->rank($number), $qty,
            $point->leadCalendar->back($due, $point->lead), $due, $point->leadCalendar->forward($planDate, $point->lead), $priority,
            false, false, $point->supplier, $point->supply() === OrderKind::Transfer ? $point->planning->fromSite : null,
        );
        $this->work->proposals[] = $proposal;
        $this->work->supplies[$point->index][] = $proposal;
        if ($proposal->start < $planDate) {
            $this->say(MessageCode::StartPassed, $proposal, $due, $proposal->earliest);
        }

        return $proposal;
    }

    private function explode(Point $point, Supply $proposal): void
    {
        match ($point->supply()) {
            OrderKind::Make => $this->components($point, $proposal),
            OrderKind::Transfer => $this->transferOut($point, $proposal),
            OrderKind::Buy => $point->supplier === null && $this->say(MessageCode::NoSupplier, $proposal, $proposal->start, $proposal->due),
        };
    }

    private function components(Point $point, Supply $proposal): void
    {
        $day = max($proposal->start, $this->work->options->planDate);
        $valid = false;
        $reference = $proposal->reference();
        $rank = DemandKind::Part->rank(true, (int) $proposal->name << 20);
        foreach ($this->work->structure->components[$point->index] ?? [] as $row => $line) {
            if (! $line->validOn($day)) {
                continue;
            }
            $valid = true;
            $component = $this->work->structure->points[$line->point];
            $demand = $this->work->demand(
                $component, DemandKind::Part, $reference, $line->line, $rank | $row,
                $line->requirement($proposal->qty), $line->offsetDays === 0 ? $day : $point->calendar->forward($day, $line->offsetDays), $proposal->priority, $proposal,
            );
            $demand === null || $proposal->inputs[] = $demand;
        }
        $valid || $this->say(MessageCode::NoBom, $proposal, $proposal->start, $proposal->due);
    }

    private function transferOut(Point $point, Supply $proposal): void
    {
        $source = $this->work->structure->points[(int) $point->source];
        $demand = $this->work->demand(
            $source, DemandKind::Out, $proposal->reference(), '', DemandKind::Out->rank(true, (int) $proposal->name),
            $proposal->qty, max($proposal->start, $this->work->options->planDate), $proposal->priority, $proposal,
        );
        $demand === null || $proposal->inputs[] = $demand;
    }

    private function say(MessageCode $code, Supply $about, int $from, int $to): bool
    {
        $this->work->messages[] = new Message($code, $about->reference(), $about->point, $from, $to, $about->qty);

        return true;
    }
}
