<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Peg;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Study\PrioritiseOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\SplitOrder;
use Yposta\Core\Study\SwapComponent;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Facts;
use Yposta\Core\Trial\Trial;

/**
 * Finds what could be done about a need that is not covered in time. Candidates come from the plan and the master data; each is planned
 * before it is told, and one that does not help is left out.
 */
final class Remedies
{
    /** How many needs at most are asked to give up what they hold, each a remedy of its own. */
    private const DONORS = 4;

    /** @param  Trial  $trial  standing where remedies are to be tried: the live data, with the draft */
    public function __construct(private readonly Trial $trial)
    {
    }

    /**
     * Those that help, as they are found.
     *
     * @param  string  $identity  of the need, see {@see Need::nameOf()}
     * @return iterable<TriedRemedy>
     */
    public function for(string $identity): iterable
    {
        $before = $this->trial->facts();
        [$candidates, $expected, $short] = $this->trial->with([], function (Plan $plan) use ($identity): array {
            $need = (new Shortages($plan))->find($identity);

            return $need === null || $need->short === 0 ? [[], null, 0] : [$this->candidates($plan, $need), $need->demand->expected, $need->short];
        });
        foreach ($candidates as $remedy) {
            try {
                $tried = $this->trial->with($remedy->changes, fn (Plan $plan) => $this->judge($plan, $before, $remedy, $identity));
            } catch (DoesNotFit) {
                continue;
            }
            $earlier = $tried->expected !== null && ($expected === null || $tried->expected < $expected);
            if ($tried->solves || $earlier || $tried->short < $short || $tried->effect->change('lateDays') < 0) {
                yield $tried;
            }
        }
    }

    private function judge(Plan $plan, Facts $before, Remedy $remedy, string $identity): TriedRemedy
    {
        $need = (new Shortages($plan))->find((string) ($remedy->facts['about'] ?? $identity));
        $solves = $need === null || ($need->demand->uncovered === 0 && $need->demand->lateDays() === 0);

        return new TriedRemedy($remedy, Effect::between($before, Facts::of($plan)), $solves, $need?->demand->expected, $need->short ?? 0);
    }

    /** @return list<Remedy> */
    private function candidates(Plan $plan, Need $need): array
    {
        $pegs = new PegIndex($plan->pegs);
        $consumer = $need->demand->for;
        $found = [
            ...$this->substitutes($plan, $need, $pegs),
            ...$this->takeFrom($plan, $need, $pegs),
            ...$this->pullIn($plan, $need),
            ...$this->transfers($plan, $need, $pegs),
            ...$this->suppliers($plan, $need),
            ...$this->orderNow($plan, $need),
            ...$this->split($plan, $need),
            ...$this->later($plan, $need),
        ];
        if ($plan->options->pegByPriority && $consumer?->kind === SupplyKind::Order && $need->demand->priority > 1) {
            $found[] = new Remedy(RemedyKind::Urgent, [new PrioritiseOrder($consumer->name, 1)], ['order' => $consumer->name]);
        }

        return $found;
    }

    /** @return list<Remedy> */
    private function substitutes(Plan $plan, Need $need, PegIndex $pegs): array
    {
        $demand = $need->demand;
        $consumer = $demand->for;
        if ($demand->kind !== DemandKind::Part || $consumer === null || $consumer->type !== OrderKind::Make) {
            return [];
        }
        $made = $plan->structure->points[$consumer->point]->item->code;
        $choices = array_filter($plan->network->substitutes, fn ($row) => $row->item === $made && $row->component === $need->point->item->code);
        usort($choices, fn ($a, $b) => $a->rank <=> $b->rank);
        $found = [];
        foreach ($choices as $choice) {
            $free = $this->freeStock($plan, $pegs, $choice->substitute, $need->point->site->code);
            $step = $need->point->item->step();
            $possible = intdiv(Factor::share($free, Quantity::ONE, $choice->ratio, 1), $step) * $step;
            $qty = $possible > 0 ? min($need->short, $possible) : $need->short;
            [$before, $order] = $this->asOrder($plan, $consumer);
            $found[] = new Remedy(RemedyKind::Substitute, [...$before, new SwapComponent($order, $demand->line, $choice->substitute, $choice->ratio, $qty)], [
                'about' => "part:{$order}/{$demand->line}", 'substitute' => $choice->substitute, 'qty' => $qty, 'free' => max(0, $free), 'order' => $order,
            ]);
        }

        return $found;
    }

    /**
     * Supply in time that serves less urgent needs of the same point: lower priority first, then the later date.
     *
     * @return list<Remedy>
     */
    private function takeFrom(Plan $plan, Need $need, PegIndex $pegs): array
    {
        $demand = $need->demand;
        $donations = [];
        foreach ($plan->supplies[$demand->point] ?? [] as $supply) {
            if ($supply->isProposal() || $supply->available > $demand->date) {
                continue;
            }
            foreach ($pegs->servedBy($supply) as $peg) {
                $other = $peg->demand;
                $lessUrgent = $other->kind === DemandKind::Safety || $other->priority > $demand->priority || ($other->priority === $demand->priority && $other->date >= $demand->date);
                if ($other !== $demand && $lessUrgent && $other->for?->released !== true) {
                    $donations[spl_object_id($other)][] = $peg;
                }
            }
        }
        usort($donations, fn (array $a, array $b) => self::urgency($b[0]->demand) <=> self::urgency($a[0]->demand));
        $found = [];
        foreach (array_slice($donations, 0, self::DONORS) as $given) {
            $found[] = $this->taken($plan, $need, $given, $pegs);
        }
        $enough = array_sum(array_map(fn (Peg $peg) => $peg->qty, $donations[0] ?? [])) >= $need->short;
        if (! $enough && count($donations) > 1) {
            $found[] = $this->taken($plan, $need, array_merge(...$donations), $pegs);
        }

        return $found;
    }

    /** @return array{int, int} the lower, the more urgent */
    private static function urgency(Demand $demand): array
    {
        return $demand->date === null ? [10, PHP_INT_MAX] : [$demand->priority, $demand->date];
    }

    /** @param  non-empty-list<Peg>  $given  by whom it is given up, the least urgent first */
    private function taken(Plan $plan, Need $need, array $given, PegIndex $pegs): Remedy
    {
        $left = $need->short;
        $taken = $names = $freed = [];
        foreach ($given as $peg) {
            $part = min($left, $peg->qty);
            if ($part > 0) {
                $reference = $peg->supply->reference();
                $taken[$reference] = ($taken[$reference] ?? 0) + $part;
                $names[$this->nameOf($peg->demand)] = true;
                array_push($freed, ...$this->givenUp($plan->network, $peg, $part));
                $left -= $part;
            }
        }
        [$changes, $order] = $need->demand->isOfProposal() && $need->demand->for !== null ? $this->asOrder($plan, $need->demand->for) : [[], ''];
        $about = $order === '' ? $need->demand->reference() : "{$need->demand->kind->value}:{$order}".($need->demand->line === '' ? '' : "/{$need->demand->line}");
        foreach ($pegs->serving($need->demand) as $peg) {
            isset($taken[$peg->supply->reference()]) && $taken[$peg->supply->reference()] += $peg->qty;
        }
        array_push($changes, ...$freed);
        foreach ($taken as $reference => $qty) {
            $changes[] = new HoldSupply($about, $reference, $qty);
        }
        assert($changes !== []);

        return new Remedy(RemedyKind::TakeFrom, $changes, ['about' => $about, 'qty' => $need->short - $left, 'from' => implode(', ', array_keys($names)), 'supply' => (string) array_key_first($taken)]);
    }

    /**
     * What lessens a hold that someone has on what is taken.
     *
     * @return list<Change>
     */
    private function givenUp(Network $network, Peg $peg, int $qty): array
    {
        foreach ($network->allocations as $held) {
            if ($held->demand === $peg->demand->reference() && $held->supply === $peg->supply->reference()) {
                return $held->qty > $qty ? [new HoldSupply($held->demand, $held->supply, $held->qty - $qty)] : [new FreeSupply($held->demand, $held->supply)];
            }
        }

        return [];
    }

    /** @return list<Remedy> */
    private function pullIn(Plan $plan, Need $need): array
    {
        $found = [];
        $wanted = max((int) $need->demand->need, $plan->options->planDate);
        foreach ($need->pegs as $peg) {
            $supply = $peg->supply;
            if ($supply->available <= $need->demand->date) {
                continue;
            }
            if ($supply->kind === SupplyKind::Order && $supply->due > $wanted) {
                $start = $supply->start > $wanted ? $wanted : null;
                $found[] = new Remedy(RemedyKind::PullIn, [new MoveOrder($supply->name, $wanted, $start)], ['order' => $supply->name, 'due' => $wanted, 'days' => $supply->due - $wanted, 'supplier' => (string) $supply->supplier]);
            } elseif ($supply->isProposal() && $supply->type === OrderKind::Buy && $supply->supplier !== null) {
                $found[] = new Remedy(RemedyKind::Hurry, [$this->ordered($plan, $supply, $wanted, min($supply->start, $wanted))], ['supplier' => $supply->supplier, 'qty' => $supply->qty, 'due' => $wanted, 'days' => $supply->available - $wanted]);
            }
            // what holds up an order that waits lies below it
            for ($input = $supply->waitsFor; $input?->last !== null; $input = $input->last->waitsFor) {
                $below = $input->last;
                if ($below->kind === SupplyKind::Order && $input->date !== null && $below->due > $input->date) {
                    $found[] = new Remedy(RemedyKind::PullIn, [new MoveOrder($below->name, $input->date, $below->start > $input->date ? $input->date : null)], ['order' => $below->name, 'due' => $input->date, 'days' => $below->due - $input->date, 'supplier' => (string) $below->supplier]);
                } elseif ($below->isProposal() && $below->type === OrderKind::Buy && $below->supplier !== null && $input->date !== null && $below->available > $input->date) {
                    $found[] = new Remedy(RemedyKind::Hurry, [$this->ordered($plan, $below, $input->date, min($below->start, $input->date))], ['supplier' => $below->supplier, 'qty' => $below->qty, 'due' => $input->date, 'days' => $below->available - $input->date]);
                }
            }
        }

        return $this->once($found);
    }

    /** @return list<Remedy> */
    private function transfers(Plan $plan, Need $need, PegIndex $pegs): array
    {
        $found = [];
        foreach ($plan->network->sites as $site) {
            $lead = $this->way($plan->network, $site->code, $need->point->site->code);
            $free = $site->code === $need->point->site->code ? 0 : $this->freeStock($plan, $pegs, $need->point->item->code, $site->code);
            if ($lead === null || $free <= 0) {
                continue;
            }
            $qty = min($free, $need->short);
            $due = $need->point->calendar->forward($plan->options->planDate, $lead);
            $found[] = new Remedy(RemedyKind::Transfer, [
                new PutOrder($this->fresh($plan), OrderKind::Transfer->value, $need->point->item->code, $need->point->site->code, $qty, $due, $plan->options->planDate, null, $site->code, $need->demand->priority),
            ], ['site' => $site->name, 'qty' => $qty, 'due' => $due]);
        }

        return $found;
    }

    /**
     * Suppliers that could be there before what serves the need now.
     *
     * @return list<Remedy>
     */
    private function suppliers(Plan $plan, Need $need): array
    {
        $found = [];
        $point = $need->point;
        $bought = $point->supply() === OrderKind::Buy;
        foreach ($this->offers($plan->network, $point->item->code) as $offer) {
            if ($bought && $offer->supplier === $point->supplier) {
                continue;
            }
            $earliest = OrderFromProposal::earliest($plan->network, $plan->options, $point->item->code, $point->site->code, $offer->supplier);
            if ($need->demand->expected !== null && $earliest >= $need->demand->expected) {
                continue;
            }
            $qty = self::lot($need->short, $offer->minQty ?? 0, $offer->multiple ?? 0);
            $due = max($earliest, (int) $need->demand->need);
            $found[] = new Remedy($bought ? RemedyKind::OtherSupplier : RemedyKind::BuyInstead, [
                new PutOrder($this->fresh($plan), OrderKind::Buy->value, $point->item->code, $point->site->code, $qty, $due, null, $offer->supplier, null, $need->demand->priority),
            ], ['supplier' => $offer->supplier, 'qty' => $qty, 'due' => $due, 'lead' => $offer->leadDays ?? 0]);
        }

        return $found;
    }

    /** @return list<Remedy> */
    private function orderNow(Plan $plan, Need $need): array
    {
        $found = [];
        foreach ($need->pegs as $peg) {
            if ($peg->supply->isProposal() && $peg->supply->waitsFor === null) {
                $due = ConversionDate::of($peg->supply, $plan->options->bringInDays);
                $found[] = new Remedy(RemedyKind::OrderNow, [$this->ordered($plan, $peg->supply, $due, null)], ['qty' => $peg->supply->qty, 'due' => $due, 'supplier' => (string) $peg->supply->supplier, 'type' => (string) $peg->supply->type?->value]);
            }
        }

        return $found;
    }

    /** @return list<Remedy> */
    private function split(Plan $plan, Need $need): array
    {
        $consumer = $need->demand->for;
        if ($consumer?->kind !== SupplyKind::Order || $consumer->type !== OrderKind::Make || $need->demand->qty <= 0) {
            return [];
        }
        $order = $plan->network->orders[$consumer->name] ?? null;
        if ($order === null || $consumer->available <= $order->due) {
            return [];
        }
        $step = $plan->structure->points[$consumer->point]->item->step();
        $buildable = intdiv(Factor::share($order->open(), $need->demand->qty - $need->short, $need->demand->qty, 1), $step) * $step;
        if ($buildable <= 0 || $buildable >= $order->open()) {
            return [];
        }

        return [new Remedy(RemedyKind::Split, [new SplitOrder($order->code, $order->received + $buildable, $consumer->available, $this->fresh($plan))], ['order' => $order->code, 'qty' => $buildable, 'due' => $consumer->available])];
    }

    /** @return list<Remedy> */
    private function later(Plan $plan, Need $need): array
    {
        $demand = $need->demand;
        $consumer = $demand->for;
        if ($demand->expected === null || $demand->lateDays() === 0) {
            return [];
        }
        if ($demand->kind === DemandKind::Sales) {
            return [new Remedy(RemedyKind::MoveLine, [new ChangeSalesLine($demand->name, $demand->line, null, $demand->expected)], ['line' => "{$demand->name}/{$demand->line}", 'due' => $demand->expected, 'days' => $demand->lateDays()])];
        }
        if ($consumer?->kind === SupplyKind::Order && $consumer->available > $consumer->due) {
            return [new Remedy(RemedyKind::MoveOrder, [new MoveOrder($consumer->name, $consumer->available)], ['order' => $consumer->name, 'due' => $consumer->available, 'days' => $consumer->available - $consumer->due])];
        }

        return [];
    }

    /**
     * A consumer by the code that changes know it by: a proposal becomes an order first.
     *
     * @return array{list<Change>, string} the changes that come before, and the code
     */
    private function asOrder(Plan $plan, Supply $consumer): array
    {
        if (! $consumer->isProposal()) {
            return [[], $consumer->name];
        }
        $order = $this->ordered($plan, $consumer, $consumer->due, null);

        return [[$order], $order->order];
    }

    /** A proposal as an order, with its components as the plan has them. */
    private function ordered(Plan $plan, Supply $proposal, int $due, ?int $start): PutOrder
    {
        $point = $plan->structure->points[$proposal->point];
        $order = new PutOrder(
            $this->fresh($plan), (string) $proposal->type?->value, $point->item->code, $point->site->code, $proposal->qty, $due, $start ?? ($due === $proposal->due ? $proposal->start : null),
            $proposal->supplier, $proposal->fromSite, $proposal->priority,
        );
        if ($proposal->type !== OrderKind::Make) {
            return $order;
        }
        $rows = OrderRows::of($order->apply($plan->network), $order->order);

        return new PutOrder($order->order, $order->kind, $order->item, $order->site, $order->qty, $order->due, $order->start, $order->supplier, $order->fromSite, $order->priority, rows: $rows);
    }

    /** A code for an order that does not exist yet; its number is given when it is written. */
    private function fresh(Plan $plan): string
    {
        for ($number = 1; isset($plan->network->orders["new:{$number}"]); $number++);

        return "new:{$number}";
    }

    /** Working days from one site to another: the longest lead time of what is planned to come that way; null when nothing does. */
    private function way(Network $network, string $from, string $to): ?int
    {
        $lead = null;
        foreach ($network->planning as $row) {
            if ($row->supply === OrderKind::Transfer && (($row->fromSite === $from && $row->site === $to) || ($row->fromSite === $to && $row->site === $from))) {
                $lead = max($lead ?? 0, $row->leadDays ?? 0);
            }
        }

        return $lead;
    }

    private function freeStock(Plan $plan, PegIndex $pegs, string $item, string $site): int
    {
        $point = $plan->structure->find($item, $site);
        foreach ($point === null ? [] : $plan->supplies[$point->index] ?? [] as $supply) {
            if ($supply->kind === SupplyKind::Stock) {
                return $pegs->free($supply);
            }
        }

        return 0;
    }

    /** @return list<SupplierItem> who offers an item, the lowest rank first */
    private function offers(Network $network, string $item): array
    {
        $offers = array_values(array_filter($network->supplierItems, fn (SupplierItem $offer) => $offer->item === $item));
        usort($offers, fn (SupplierItem $a, SupplierItem $b) => [$a->rank, $a->supplier] <=> [$b->rank, $b->supplier]);

        return $offers;
    }

    private function nameOf(Demand $demand): string
    {
        return $demand->kind === DemandKind::Sales ? "{$demand->name}/{$demand->line}" : ($demand->for?->isProposal() === true ? '' : $demand->name);
    }

    private static function lot(int $qty, int $least, int $multiple): int
    {
        $qty = max($qty, $least);

        return $multiple > 0 ? intdiv($qty + $multiple - 1, $multiple) * $multiple : $qty;
    }

    /**
     * @param  list<Remedy>  $remedies
     * @return list<Remedy>
     */
    private function once(array $remedies): array
    {
        $kept = [];
        foreach ($remedies as $remedy) {
            in_array($remedy, $kept, false) || $kept[] = $remedy;
        }

        return $kept;
    }
}
