<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;

/**
 * By what a message is known again in the next plan, and what has to change for it to be news.
 *
 * Proposals have other numbers in every plan: they are known by item, site and date. What only moves because the plan date does is no news.
 */
final readonly class MessageIdentity
{
    private function __construct(public string $identity, public string $facts)
    {
    }

    public static function of(Message $message, Plan $plan): self
    {
        $label = $plan->structure->points[$message->point]->label();
        $code = $message->code->value;
        $isProposal = $message->about instanceof Supply && $message->about->isProposal();
        $today = $plan->options->planDate;
        $from = $message->from !== null && $message->from <= $today && $message->code === MessageCode::BelowSafety
            ? 'now'
            : (string) $message->from;
        $to = match ($message->code) {
            MessageCode::StartPassed, MessageCode::Overdue, MessageCode::LateDemand,
            MessageCode::NoCapacity => '',
            default => (string) $message->to,
        };

        return new self(
            $isProposal ? "{$code} proposal {$label} {$message->from}" : "{$code} {$message->reference()} {$label}",
            "{$from} {$to} {$message->qty}",
        );
    }
}
