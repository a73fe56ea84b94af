<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Substitute;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\SwapComponent;

/** A substitute in the place of a component, as far as it is free on stock. */
final readonly class Substitution extends Remedy
{
    /**
     * @param  non-empty-list<Change>  $changes
     * @param  int  $free  millionths of the substitute
     */
    private function __construct(
        array $changes,
        public string $about,
        public Amount $qty,
        public string $item,
        public string $substitute,
        public int $free,
    ) {
        parent::__construct($changes);
    }

    /** @return list<self> by rank */
    public static function find(Situation $in): array
    {
        $demand = $in->need->demand;
        $consumer = $demand->for;
        if ($demand->kind !== DemandKind::Part || $consumer?->type !== OrderKind::Make) {
            return [];
        }
        $made = $in->plan->structure->points[$consumer->point]->item->code;
        $item = $in->need->point->item;
        $choices = array_filter(
            $in->plan->network->substitutes,
            fn (Substitute $row) => $row->item === $made && $row->component === $item->code,
        );
        usort($choices, fn (Substitute $a, Substitute $b) => $a->rank <=> $b->rank);
        $found = [];
        foreach ($choices as $choice) {
            $free = $in->freeStock($choice->substitute, $in->need->point->site->code);
            $possible = intdiv(Factor::share($free, Quantity::ONE, $choice->ratio, 1), $item->step()) * $item->step();
            $qty = $possible > 0 ? min($in->need->short, $possible) : $in->need->short;
            [$before, $order] = $in->asOrder($consumer);
            $found[] = new self(
                [...$before, new SwapComponent($order, $demand->line, $choice->substitute, $choice->ratio, $qty)],
                (string) Reference::part($order, $demand->line), $in->amount($qty), $item->code, $choice->substitute, max(0, $free),
            );
        }

        return $found;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::Substitute;
    }

    public function about(): string
    {
        return $this->about;
    }

    protected function values(): array
    {
        return ['substitute' => $this->substitute, 'qty' => $this->qty, 'item' => $this->item, 'free' => new Amount($this->free)];
    }
}
