<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

use Yposta\Core\Network\Network;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Sentences;
use Yposta\Core\Plan\StockValue;
use Yposta\Core\Plan\Summary;
use Yposta\Core\Plan\Supply;

/** All of a plan that two plans are compared by. It outlives the plan that it was taken of. */
final readonly class Picture
{
    /**
     * @param  list<ProposalFact>  $proposals
     * @param  list<MessageFact>  $messages
     * @param  list<LateFact>  $late
     * @param  array<string, int>  $stock  average value of the projected stock by {@see Network::key()} of item and site
     * @param  array<string, int>  $figures  totals by name, see {@see Summary}
     */
    public function __construct(public array $proposals, public array $messages, public array $late, public array $stock, public array $figures)
    {
    }

    public static function of(Plan $plan, Sentences $sentences): self
    {
        $points = $plan->structure->points;
        $proposals = $messages = $late = [];
        foreach ($plan->proposals as $proposal) {
            $point = $points[$proposal->point];
            $proposals[] = new ProposalFact((string) $proposal->type?->value, $point->item->code, $point->site->code, $proposal->supplier, $proposal->qty, $proposal->start, $proposal->due, $proposal->available);
        }
        foreach ($plan->messages as $message) {
            $point = $points[$message->point];
            $about = $message->about instanceof Supply && $message->about->isProposal() ? 'proposal' : $message->reference();
            $messages[] = new MessageFact($message->code->value, $about, $point->item->code, $point->site->code, $message->from, $message->to, $message->qty);
        }
        foreach ($plan->demands as $index => $demands) {
            foreach ($demands as $demand) {
                if ($demand->kind === DemandKind::Sales && $demand->lateDays() > 0) {
                    $late[] = new LateFact(
                        $demand->name, $demand->line, $demand->customer, $points[$index]->item->code, $points[$index]->site->code, $demand->qty, (int) $demand->date, (int) $demand->expected,
                        $demand->holdUp === null ? '' : $sentences->holdUp($demand->holdUp),
                    );
                }
            }
        }
        $stock = [];
        foreach (StockValue::byPoint($plan) as $index => $value) {
            $stock[Network::key($points[$index]->item->code, $points[$index]->site->code)] = $value;
        }

        return new self($proposals, $messages, $late, $stock, Summary::of($plan)->figures());
    }
}
