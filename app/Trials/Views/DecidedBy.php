<?php

declare(strict_types=1);

namespace App\Trials\Views;

use Yposta\Core\Availability\Answer;
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Run\SupplyKind;

/** Says in a few words what decides the date of an answer. */
final readonly class DecidedBy
{
    public function __construct(private TrialPresenter $presenter, private int $planDate)
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
            return (string) trans_choice(
                '{1} :item: lead time 1 working day|[0,*] :item: lead time :count working days',
                $holdUp->lead,
                ['item' => $item, 'count' => $holdUp->lead],
            );
        }
        if ($supply->kind === SupplyKind::Order) {
            return (string) trans(
                ':item: :supply comes :day',
                [
                    'item' => $item,
                    'supply' => $this->presenter->supply($supply),
                    'day' => $this->presenter->day(max($supply->available, $this->planDate)),
                ],
            );
        }

        return (string) trans(':item: comes :day', ['item' => $item, 'day' => $this->presenter->day($supply->available)]);
    }
}
