<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\LotReason;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;

/** Makes proposals for a net requirement: lots, dates and messages (section 5). What they need in turn is {@see Explosion}. */
final readonly class Proposer
{
    private LotSizing $lotSizing;

    public function __construct(private Workspace $work)
    {
        $this->lotSizing = new LotSizing($work->limits);
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
            $proposal->reason = new LotReason(
                wanted: $day,
                coversTo: $coversTo,
                balance: $balance,
                target: $target,
                net: $net,
                lot: $place + 1,
                lots: count($lots),
                lead: $point->leadFor($qty),
            );
            if ($due !== $day) {
                $this->say(MessageCode::Frozen, $proposal, $day, $due);
            }
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
        $seq = count($this->work->supplies[$point->index] ?? []);
        $lead = $point->leadFor($qty);
        $proposal = new Supply(
            point: $point->index,
            kind: SupplyKind::Proposal,
            type: $point->supply(),
            name: '',
            rank: SupplyKind::Proposal->rank($seq),
            qty: $qty,
            start: $point->leadCalendar->back($due, $lead),
            due: $due,
            earliest: $point->leadCalendar->forward($planDate, $lead),
            priority: $priority,
            pinned: false,
            released: false,
            supplier: $point->supplier,
            fromSite: $point->supply() === OrderKind::Transfer ? $point->planning->fromSite : null,
        );
        $this->work->supplies[$point->index][] = $proposal;
        if ($proposal->start < $planDate) {
            $this->say(MessageCode::StartPassed, $proposal, $due, $proposal->earliest);
        }

        return $proposal;
    }

    private function say(MessageCode $code, Supply $about, int $from, int $to): void
    {
        $this->work->nettingMessages[$about->point][] = new Message($code, $about, $about->point, $from, $to, $about->qty);
    }
}
