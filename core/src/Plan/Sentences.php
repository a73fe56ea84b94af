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
    /**
     * @param  array<string, string>  $templates  by code, with names in braces: {qty}, {item}, {from} ...
     * @param  int  $planDate  day number
     */
    public function __construct(private array $templates, private Structure $structure, private int $planDate)
    {
    }

    public function message(Message $message): string
    {
        $point = $this->structure->points[$message->point];

        return $this->fill('message.'.$message->code->value, [
            'reference' => explode(':', $message->reference(), 2)[1],
            'item' => $point->item->code,
            'site' => $point->site->code,
            'qty' => trim(Quantity::format($message->qty).' '.$point->item->unit),
            'from' => $message->from === null ? '' : $this->day($message->from),
            'to' => $message->to === null ? '' : $this->day($message->to),
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
            'due' => $this->day($supply->due),
            'available' => $this->day($supply->available),
        ]);
    }

    /** "Thu 12 Mar", with the year when it differs from that of the plan date. */
    private function day(int $day): string
    {
        [$number, $month, $year] = explode(' ', gmdate('j n Y', $day * 86400));
        $text = $this->fill('weekday.'.Day::weekday($day), [])." {$number} ".$this->fill("month.{$month}", []);

        return $year === gmdate('Y', $this->planDate * 86400) ? $text : "{$text} {$year}";
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
