<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;

/** Gives a sales line another quantity, date or urgency. What is null stays. */
final readonly class ChangeSalesLine implements Change
{
    public function __construct(public string $order, public string $line, public ?int $qty = null, public ?int $due = null, public ?int $priority = null)
    {
    }

    public function apply(Network $network): Network
    {
        $sales = $network->sales;
        $place = $this->place($network);
        $old = $sales[$place];
        $decimals = $network->items[$old->item]->decimals;
        if ($this->qty !== null && ($this->qty < $old->shipped || ! Quantity::fits($this->qty, $decimals))) {
            throw new DoesNotFit($this->qty < $old->shipped ? "{$this->order}/{$this->line} has shipped ".Quantity::format($old->shipped).' already' : "{$old->item} has {$decimals} decimals");
        }
        if ($this->priority !== null && ($this->priority < 1 || $this->priority > 9)) {
            throw new DoesNotFit('a priority is from 1 to 9');
        }
        $sales[$place] = $old->with(qty: $this->qty ?? $old->qty, due: $this->due ?? $old->due, priority: $this->priority ?? $old->priority);

        return $network->with(sales: $sales);
    }

    public function inverse(Network $before): array
    {
        $old = $before->sales[$this->place($before)];

        return [new self($this->order, $this->line, $old->qty, $old->due, $old->priority)];
    }

    private function place(Network $network): int
    {
        foreach ($network->sales as $place => $line) {
            if ($line->order === $this->order && $line->line === $this->line) {
                return $place;
            }
        }
        throw new DoesNotFit("there is no sales line {$this->order}/{$this->line}");
    }
}
