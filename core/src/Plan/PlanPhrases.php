<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\HoldUp;
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Run\Message;
use Yposta\Core\Structure\Structure;
use Yposta\Core\Support\Phrase;

/** What messages and hold-ups of a plan say. */
final readonly class PlanPhrases
{
    public function __construct(private Structure $structure)
    {
    }

    public function message(Message $message): Phrase
    {
        $point = $this->structure->points[$message->point];

        return new Phrase("message.{$message->code->value}", [
            'reference' => Reference::parse($message->reference())->name,
            'item' => $point->item->code,
            'site' => $point->site->code,
            'qty' => new Amount($message->qty, $point->item->unit),
            'from' => Date::orNull($message->from),
            'to' => Date::orNull($message->to),
        ]);
    }

    public function holdUp(HoldUp $holdUp): Phrase
    {
        $supply = $holdUp->supply;
        $isTransfer = $holdUp->reason === HoldUpReason::LeadTime && $supply->type === OrderKind::Transfer;

        return new Phrase($isTransfer ? 'hold_up.transfer_time' : "hold_up.{$holdUp->reason->value}", [
            'item' => $this->structure->points[$supply->point]->item->code,
            'order' => $supply->name,
            'lead' => $holdUp->lead,
            'left' => $holdUp->left,
            'due' => new Date($supply->due),
            'available' => new Date($supply->available),
        ]);
    }
}
