<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\MoveOrder;

/** The order that needs it waits until its material is there. */
final readonly class DelayOrder extends Remedy
{
    private function __construct(MoveOrder $change, public string $order, public int $due, public int $days)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> */
    public static function find(Situation $in): array
    {
        $demand = $in->need->demand;
        $consumer = $demand->for;
        if ($demand->expected === null
            || $demand->lateDays() === 0
            || $consumer?->kind !== SupplyKind::Order
            || $consumer->available <= $consumer->due) {
            return [];
        }

        return [new self(
            new MoveOrder($consumer->name, $consumer->available), $consumer->name, $consumer->available,
            $consumer->available - $consumer->due,
        )];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::MoveOrder;
    }

    public function moves(): string
    {
        return $this->order;
    }

    protected function values(): array
    {
        return ['order' => Situation::orderName($this->order), 'due' => new Date($this->due), 'days' => Situation::days($this->days)];
    }
}
