<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;

/** What is proposed too late is ordered now, and delivered faster than its lead time. */
final readonly class Hurry extends Remedy
{
    /** @param  int  $days  by how many it is faster */
    private function __construct(PutOrder $change, public Amount $qty, public string $item, public int $days, public Phrase $supplier)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> also what lies below an order that waits */
    public static function find(Situation $in): array
    {
        $found = [];
        foreach ($in->late() as [$supply, $wanted]) {
            if ($supply->isProposal() && $supply->type === OrderKind::Buy && $supply->supplier !== null && $supply->available > $wanted) {
                $item = $in->plan->structure->points[$supply->point]->item;
                $found["{$supply->name}\x1f{$wanted}"] ??= new self(
                    $in->ordered($supply, $wanted, min($supply->start, $wanted)), new Amount($supply->qty, $item->unit), $item->code,
                    $supply->available - $wanted, $in->supplierName($supply->supplier),
                );
            }
        }

        return array_values($found);
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::Hurry;
    }

    public function letter(): Phrase
    {
        return new Phrase('remedy.hurry.letter', $this->values());
    }

    protected function values(): array
    {
        $order = $this->changes[0] instanceof PutOrder ? $this->changes[0]->order : null;

        return [
            'qty' => $this->qty, 'item' => $this->item, 'due' => Date::orNull($order?->due),
            'days' => Situation::days($this->days), 'supplier' => $this->supplier,
        ];
    }
}
