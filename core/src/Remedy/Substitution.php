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
use Yposta\Core\Shortage\Need;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\SwapComponent;

/** A substitute in the place of a component, as far as it is free on stock. */
final readonly class Substitution extends Remedy
{
    /**
     * @param  non-empty-list<Change>  $changes
     * @param  list<string>  $about  the need as far as it is left, and that of the substitute
     * @param  int  $ratio  how much of the substitute stands for one, millionths
     * @param  int  $free  millionths of the substitute
     */
    private function __construct(
        array $changes,
        public array $about,
        public Amount $qty,
        public string $item,
        public string $substitute,
        public int $ratio,
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
            $swap = new SwapComponent($order, $demand->line, $choice->substitute, $choice->ratio, $qty);
            $lines = [$demand->line, $swap->substituteLine((new Changes($before))->apply($in->plan->network))];
            $found[] = new self(
                changes: [...$before, $swap],
                about: array_map(fn (string $line) => (string) Reference::part($order, $line), $lines),
                qty: $in->amount($qty),
                item: $item->code,
                substitute: $choice->substitute,
                ratio: $choice->ratio,
                free: max(0, $free),
            );
        }

        return $found;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::Substitute;
    }

    public function about(): array
    {
        return $this->about;
    }

    public function short(Need $need): int
    {
        return $need->point->item->code === $this->substitute ? Factor::share($need->short, Quantity::ONE, $this->ratio, 1) : $need->short;
    }

    protected function values(): array
    {
        return ['substitute' => $this->substitute, 'qty' => $this->qty, 'item' => $this->item, 'free' => new Amount($this->free)];
    }
}
