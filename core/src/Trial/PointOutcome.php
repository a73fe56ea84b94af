<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** What one point adds to an {@see Outcome}. It outlives the plan. */
final readonly class PointOutcome
{
    /** Messages that ask to move or cancel an order. */
    private const MOVES = [MessageCode::BringIn, MessageCode::PushOut, MessageCode::Cancel];

    /**
     * @param  array<string, int>  $figures  totals by name: those of {@see Summary::figuresAt()}, `purchases` proposed and `moves` of open
     *    purchases asked for
     * @param  array<string, Arrival>  $lines  open sales lines by reference
     * @param  array<string, Arrival>  $orders  open orders by reference
     */
    private function __construct(public array $figures, public array $lines, public array $orders)
    {
    }

    public static function of(Plan $plan, int $index): self
    {
        $lines = $orders = [];
        $purchases = $moves = 0;
        $point = $plan->structure->points[$index];
        foreach ($plan->demands[$index] ?? [] as $demand) {
            if ($demand->kind->isOrdered()) {
                $lines[$demand->reference()] = new Arrival(
                    reference: $demand->reference(), item: $point->item->code, site: $point->site->code,
                    customer: $demand->customer, qty: $demand->qty,
                    due: (int) $demand->date, expected: $demand->expected, uncovered: $demand->uncovered, need: $demand->reference(),
                );
            }
        }
        foreach ($plan->supplies[$index] ?? [] as $supply) {
            if ($supply->kind === SupplyKind::Order) {
                $orders[$supply->reference()] = new Arrival(
                    reference: $supply->reference(), item: $point->item->code, site: $point->site->code, customer: '',
                    qty: $supply->qty, due: $supply->due,
                    expected: $supply->available, uncovered: 0,
                    need: $supply->waitsFor === null ? '' : DemandIdentity::of($supply->waitsFor, $plan->structure),
                );
            } elseif ($supply->isProposal() && $supply->type === OrderKind::Buy) {
                $purchases++;
            }
        }
        foreach ($plan->messagesAt($index) as $message) {
            $about = $message->about;
            $moves += in_array($message->code, self::MOVES, true) && $about instanceof Supply && $about->type === OrderKind::Buy ? 1 : 0;
        }

        return new self([...Summary::figuresAt($plan, $index), 'purchases' => $purchases, 'moves' => $moves], $lines, $orders);
    }
}
