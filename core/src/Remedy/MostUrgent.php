<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\PrioritiseOrder;

/** The order becomes more urgent than others that want the same. */
final readonly class MostUrgent extends Remedy
{
    private function __construct(PrioritiseOrder $change, public string $order)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> where the plan pegs by priority */
    public static function find(Situation $in): array
    {
        $consumer = $in->need->demand->for;

        return $in->plan->options->pegByPriority && $consumer?->kind === SupplyKind::Order && $in->need->demand->priority > 1
            ? [new self(new PrioritiseOrder($consumer->name, 1), $consumer->name)] : [];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::Urgent;
    }

    protected function values(): array
    {
        return ['order' => Situation::orderName($this->order)];
    }
}
