<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Structure\Structure;

/** Tells messages and hold-ups in the words of a language. */
final readonly class Sentences
{
    /** @param  array<string, string>  $templates  by code, with names in braces: {qty}, {item}, {from} ... */
    public function __construct(private array $templates, private Structure $structure) {}

    public function message(Message $message): string
    {
        $point = $this->structure->points[$message->point];

        return $this->fill('message.'.$message->code->value, [
            'reference' => explode(':', $message->reference, 2)[1],
            'item' => $point->item->code,
            'site' => $point->site->code,
            'qty' => trim(Quantity::format($message->qty).' '.$point->item->unit),
            'from' => $message->from === null ? '' : Day::format($message->from),
            'to' => $message->to === null ? '' : Day::format($message->to),
        ]);
    }

    public function holdUp(HoldUp $holdUp): string
    {
        $supply = $holdUp->supply;
        $key = 'hold_up.'.$holdUp->reason->value;
        if ($holdUp->reason === HoldUpReason::LeadTime && $supply->type === OrderKind::Transfer) {
            $key = 'hold_up.transfer_time';
        }

        return $this->fill($key, [
            'item' => $this->structure->points[$supply->point]->item->code,
            'order' => $supply->name,
            'lead' => (string) $holdUp->lead,
            'left' => (string) $holdUp->left,
            'due' => Day::format($supply->due),
            'available' => Day::format($supply->available),
        ]);
    }

    /** @param  array<string, string>  $values */
    private function fill(string $key, array $values): string
    {
        $pairs = [];
        foreach ($values as $name => $value) {
            $pairs['{'.$name.'}'] = $value;
        }

        return strtr($this->templates[$key] ?? $key, $pairs);
    }
}
