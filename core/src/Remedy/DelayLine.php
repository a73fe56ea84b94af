<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Study\ChangeSalesLine;

/** The customer is told a later date. */
final readonly class DelayLine extends Remedy
{
    private function __construct(ChangeSalesLine $change, public int $due, public int $days)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> */
    public static function find(Situation $in): array
    {
        $demand = $in->need->demand;

        return $demand->kind !== DemandKind::Sales || $demand->expected === null || $demand->lateDays() === 0 ? []
            : [new self(
                new ChangeSalesLine($demand->name, $demand->line, null, $demand->expected),
                $demand->expected,
                $demand->lateDays(),
            )];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::MoveLine;
    }

    protected function values(): array
    {
        $change = $this->changes[0];

        return [
            'line' => $change instanceof ChangeSalesLine ? Reference::sales($change->order, $change->line)->name : '',
            'due' => new Date($this->due),
            'days' => Situation::days($this->days),
        ];
    }
}
