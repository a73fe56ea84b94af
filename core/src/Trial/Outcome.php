<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * What a plan is judged by when a change is tried: totals, and when customers and open orders get what they wait for. It outlives the
 * plan.
 */
final readonly class Outcome
{
    /** Messages that ask to move or cancel an order. */
    private const MOVES = [MessageCode::BringIn, MessageCode::PushOut, MessageCode::Cancel];

    /**
     * @param  array<string, int>  $figures  totals by name: those of {@see Summary::figures()}, `purchases` proposed and `moves` of
     *    open purchases asked for
     * @param  array<string, Arrival>  $lines  open sales lines by reference
     * @param  array<string, Arrival>  $orders  open orders by reference
     */
    private function __construct(public array $figures, public array $lines, public array $orders)
    {
    }

    public static function of(Plan $plan): self
    {
        $lines = $orders = [];
        $purchases = $moves = 0;
        $points = $plan->structure->points;
        foreach ($plan->demands as $index => $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind === DemandKind::Sales) {
                    $lines[$demand->reference()] = new Arrival(
                        reference: $demand->reference(), item: $points[$index]->item->code, site: $points[$index]->site->code,
                        customer: $demand->customer, qty: $demand->qty,
                        due: (int) $demand->date, expected: $demand->expected, uncovered: $demand->uncovered, need: $demand->reference(),
                    );
                }
            }
        }
        foreach ($plan->supplies as $index => $supplies) {
            foreach ($supplies as $supply) {
                if ($supply->kind === SupplyKind::Order) {
                    $orders[$supply->reference()] = new Arrival(
                        reference: $supply->reference(), item: $points[$index]->item->code, site: $points[$index]->site->code, customer: '',
                        qty: $supply->qty, due: $supply->due,
                        expected: $supply->available, uncovered: 0,
                        need: $supply->waitsFor === null ? '' : DemandIdentity::of($supply->waitsFor, $plan->structure),
                    );
                } elseif ($supply->isProposal() && $supply->type === OrderKind::Buy) {
                    $purchases++;
                }
            }
        }
        foreach ($plan->messages as $message) {
            $about = $message->about;
            $moves += in_array($message->code, self::MOVES, true) && $about instanceof Supply && $about->type === OrderKind::Buy ? 1 : 0;
        }

        return new self([...Summary::of($plan)->figures(), 'purchases' => $purchases, 'moves' => $moves], $lines, $orders);
    }
}
