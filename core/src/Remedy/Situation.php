<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;

/** A need that is short in a plan, with what the search for ways out asks again and again. */
final readonly class Situation
{
    public PegIndex $pegs;

    public function __construct(public Plan $plan, public Need $need, private ProposalOrigins $origins)
    {
        $this->pegs = new PegIndex($plan);
    }

    /** The day on which the need has to be served, a day number, not before the plan date. */
    public function wanted(): int
    {
        return max((int) $this->need->demand->need, $this->plan->options->planDate);
    }

    /**
     * The supplies that come too late for the need, and those below on which they wait, each with the day on which it is wanted.
     *
     * @return iterable<array{Supply, int}>
     */
    public function late(): iterable
    {
        foreach ($this->need->pegs as $peg) {
            if ($peg->supply->available <= $this->need->demand->date) {
                continue;
            }
            yield [$peg->supply, $this->wanted()];
            for ($input = $peg->supply->waitsFor; $input?->last !== null; $input = $input->last->waitsFor) {
                if ($input->date !== null) {
                    yield [$input->last, $input->date];
                }
            }
        }
    }

    /** What nobody takes of the stock of an item at a site, millionths. */
    public function freeStock(string $item, string $site): int
    {
        $point = $this->plan->structure->find($item, $site);
        foreach ($point === null ? [] : $this->plan->supplies[$point->index] ?? [] as $supply) {
            if ($supply->kind === SupplyKind::Stock) {
                return $this->pegs->free($supply);
            }
        }

        return 0;
    }

    /**
     * A consumer by the code that changes know it by: a proposal becomes an order first.
     *
     * @return array{list<Change>, string} the changes that come before, and the code
     */
    public function asOrder(Supply $consumer): array
    {
        if (! $consumer->isProposal()) {
            return [[], $consumer->name];
        }
        $order = $this->ordered($consumer, $consumer->due, null);

        return [[$order], $order->orderCode()];
    }

    /** A proposal as an order, with its components as the plan has them. */
    public function ordered(Supply $proposal, int $due, ?int $start): PutOrder
    {
        return (new ProposalOrders($this->plan, $this->origins))->of($proposal, $due, $start);
    }

    /**
     * An order for the point of the need.
     *
     * @param  int  $qty  millionths
     * @param  int  $due  day number
     * @param  int|null  $start  null leaves it to the lead time
     */
    public function order(
        OrderKind $kind,
        int $qty,
        int $due,
        ?int $start = null,
        ?string $supplier = null,
        ?string $fromSite = null,
    ): PutOrder {
        return new PutOrder(OpenOrder::of(
            code: $this->freshCode(), kind: $kind, status: OrderStatus::Firm, item: $this->need->point->item->code,
            site: $this->need->point->site->code, fromSite: $fromSite, supplier: $supplier,
            qty: $qty, start: $start, due: $due, priority: $this->need->demand->priority,
        ));
    }

    /** A code for an order that does not exist yet. */
    public function freshCode(): string
    {
        return NewOrderCode::free($this->plan->network->orders)[0];
    }

    /** @param  int  $qty  millionths of the item that is short */
    public function amount(int $qty): Amount
    {
        return new Amount($qty, $this->need->point->item->unit);
    }

    /** A supplier by name; who has to agree where it is none. */
    public function supplierName(?string $code): Phrase
    {
        return $code === null
            ? new Phrase('named.other_side')
            : new Phrase('named.other', ['name' => $this->plan->network->suppliers[$code]->name ?? $code]);
    }

    public static function days(int $days): Phrase
    {
        return new Phrase('days', ['count' => $days]);
    }

    /** An order by its code; one that does not exist yet is called so. */
    public static function orderName(string $code): Phrase
    {
        return NewOrderCode::is($code) ? new Phrase('named.new_order') : new Phrase('named.other', ['name' => $code]);
    }
}
