<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Amounts;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanPhrases;
use Yposta\Core\Plan\StockValue;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Run\Supply;
use Yposta\Core\Support\Phrasebook;

/** All of a plan that two plans are compared by. It outlives the plan that it was taken of. */
final readonly class PlanContent
{
    /**
     * @param  list<ProposalEntry>  $proposals
     * @param  list<MessageEntry>  $messages
     * @param  list<LateEntry>  $late
     * @param  array<string, int>  $stock  average value of the projected stock by {@see Network::key()} of item and site
     * @param  array<string, int>  $figures  totals by name, see {@see Summary} and {@see Amounts}
     * @param  array<string, int>  $needed  what customers and forecasts need, millionths by unit
     */
    public function __construct(
        public array $proposals,
        public array $messages,
        public array $late,
        public array $stock,
        public array $figures,
        public array $needed,
    ) {
    }

    public static function of(Plan $plan, Phrasebook $book): self
    {
        $points = $plan->structure->points;
        $phrases = new PlanPhrases($plan->structure, $plan->demands);
        $proposals = $messages = $late = [];
        foreach ($plan->proposals() as $proposal) {
            $point = $points[$proposal->point];
            $proposals[] = new ProposalEntry(
                kind: (string) $proposal->type?->value,
                item: $point->item->code,
                site: $point->site->code,
                supplier: $proposal->supplier,
                qty: $proposal->qty,
                start: $proposal->start,
                due: $proposal->due,
                expected: $proposal->available,
            );
        }
        foreach ($plan->messages() as $message) {
            $point = $points[$message->point];
            $about = $message->about instanceof Supply && $message->about->isProposal() ? 'proposal' : $message->reference();
            $messages[] = new MessageEntry(
                code: $message->code->value,
                about: $about,
                item: $point->item->code,
                site: $point->site->code,
                from: $message->from,
                to: $message->to,
                qty: $message->qty,
            );
        }
        foreach ($plan->demands as $index => $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind->isOrdered() && $demand->lateDays() > 0) {
                    $holdUp = $plan->holdUp($demand);
                    $late[] = new LateEntry(
                        order: $demand->name,
                        line: $demand->line,
                        customer: $demand->customer,
                        item: $points[$index]->item->code,
                        site: $points[$index]->site->code,
                        qty: $demand->qty,
                        due: (int) $demand->date,
                        expected: (int) $demand->expected,
                        why: $holdUp === null ? '' : $book->say($phrases->holdUp($holdUp)),
                    );
                }
            }
        }
        $stock = [];
        foreach (StockValue::byPoint($plan) as $index => $value) {
            $stock[Network::key($points[$index]->item->code, $points[$index]->site->code)] = $value;
        }

        $amounts = Amounts::of($plan);

        return new self(
            $proposals, $messages, $late, $stock, [...Summary::of($plan)->figures(), ...$amounts->figures()], $amounts->needed,
        );
    }
}
