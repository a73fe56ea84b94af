<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use Yposta\Core\Availability\Answer;
use Yposta\Core\Plan\HoldUpReason;
use Yposta\Core\Plan\SupplyKind;

/** Says in a few words what decides the date of an answer. */
final readonly class DecidedBy
{
    public function __construct(private Present $present, private int $planDate)
    {
    }

    public function say(Answer $answer): string
    {
        $holdUp = $answer->decidedBy;
        if ($holdUp === null || $answer->decidedAt === null) {
            return '';
        }
        $item = $answer->decidedAt->item->code;
        $supply = $holdUp->supply;
        if ($holdUp->reason === HoldUpReason::LeadTime) {
            return (string) trans_choice('{1} :item: lead time 1 working day|[0,*] :item: lead time :count working days', $holdUp->lead, ['item' => $item, 'count' => $holdUp->lead]);
        }
        if ($supply->kind === SupplyKind::Order) {
            return (string) trans(':item: :supply comes :day', ['item' => $item, 'supply' => $this->present->supply($supply), 'day' => $this->present->day(max($supply->available, $this->planDate))]);
        }

        return (string) trans(':item: comes :day', ['item' => $item, 'day' => $this->present->day($supply->available)]);
    }
}
