<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\HoldUp;
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Structure;
use Yposta\Core\Support\Phrase;

/** What messages and hold-ups of a plan say. */
final readonly class PlanPhrases
{
    /** @param  array<int, list<Demand>>  $demands  by point, so that a message can say whose need it is about; none where nobody asks */
    public function __construct(private Structure $structure, private array $demands = [])
    {
    }

    public function message(Message $message): Phrase
    {
        $point = $this->structure->points[$message->point];
        $need = $message->code === MessageCode::BelowSafety && $point->floor() <= 0 ? $this->needIn($message) : null;

        return new Phrase($need === null ? "message.{$message->code->value}" : 'message.below_zero', [
            'need' => $need,
            'reference' => $message->name(),
            'item' => $point->item->code,
            'site' => $point->site->code,
            'qty' => new Amount($message->qty, $point->item->unit),
            'from' => Date::orNull($message->from),
            'to' => Date::orNull($message->to),
            'centre' => $message->about instanceof Supply ? $message->about->noCapacityAt : null,
        ]);
    }

    /** Whose need it is that stock falls short of: the first in the stretch that is late or not covered, else the first. */
    private function needIn(Message $message): Phrase
    {
        $first = null;
        foreach ($this->demands[$message->point] ?? [] as $demand) {
            if ($demand->date !== null && $demand->date >= $message->from && $demand->date <= $message->to) {
                $place = [$demand->uncovered === 0 && $demand->lateDays() === 0, $demand->date, $demand->priority];
                if ($first === null || $place < $first[0]) {
                    $first = [$place, $demand];
                }
            }
        }

        return $first === null ? new Phrase('named.demand') : $this->named($first[1]);
    }

    private function named(Demand $demand): Phrase
    {
        $for = $demand->for;

        return match (true) {
            $for !== null && $for->isProposal() => new Phrase('named.proposed', ['item' => $this->structure->points[$for->point]->item->code]),
            $for !== null => new Phrase('named.other', ['name' => $for->name]),
            $demand->kind === DemandKind::Forecast => new Phrase('named.forecast', ['name' => $demand->name]),
            $demand->kind->isOrdered() => new Phrase('named.other', ['name' => "{$demand->name}/{$demand->line}"]),
            default => new Phrase('named.demand'),
        };
    }

    public function holdUp(HoldUp $holdUp): Phrase
    {
        $supply = $holdUp->supply;
        $isTransfer = $holdUp->reason === HoldUpReason::LeadTime && $supply->type === OrderKind::Transfer;

        return new Phrase($isTransfer ? 'hold_up.transfer_time' : "hold_up.{$holdUp->reason->value}", [
            'item' => $this->structure->points[$supply->point]->item->code,
            'order' => $supply->name,
            'centre' => $supply->noCapacityAt,
            'lead' => $holdUp->lead,
            'left' => $holdUp->left,
            'due' => new Date($supply->due),
            'available' => new Date($supply->available),
        ]);
    }
}
