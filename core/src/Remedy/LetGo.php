<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Run\Supply;
use Yposta\Core\Study\TakeOffBoard;

/** The places that a person or a schedule gave an order are given up: its operations go where they end soonest. */
final readonly class LetGo extends Remedy
{
    private function __construct(private string $order)
    {
        parent::__construct([new TakeOffBoard($order)]);
    }

    /** @return list<self> */
    public static function find(ShopSituation $in, Supply $supply): array
    {
        $held = array_filter($in->operations($supply), fn (array $one) => $one[0]->old !== null && ! $one[0]->begun);

        return $supply->isProposal() || $held === [] ? [] : [new self($supply->name)];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::LetGo;
    }

    public function moves(): string
    {
        return $this->order;
    }

    protected function values(): array
    {
        return ['order' => Situation::orderName($this->order)];
    }
}
