<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\PutOrder;

/** What is proposed for it is ordered as it stands. */
final readonly class OrderNow extends Remedy
{
    private function __construct(PutOrder $change, public Amount $qty, public int $due)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> */
    public static function find(Situation $in): array
    {
        $found = [];
        foreach ($in->need->pegs as $peg) {
            if ($peg->supply->isProposal() && $peg->supply->waitsFor === null) {
                $due = ConversionDate::of($peg->supply, $in->plan->options->bringInDays);
                $found[] = new self($in->ordered($peg->supply, $due, null), $in->amount($peg->supply->qty), $due);
            }
        }

        return $found;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::OrderNow;
    }

    protected function values(): array
    {
        return ['qty' => $this->qty, 'due' => new Date($this->due)];
    }
}
