<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;

/** Gives a sales line another quantity, date or urgency. What is null stays. */
final readonly class ChangeSalesLine implements Change
{
    public function __construct(
        public string $order,
        public string $line,
        #[Column(new Decimal)] public ?int $qty = null,
        #[Column(new DayColumn)] public ?int $due = null,
        public ?int $priority = null,
    ) {
    }

    public function apply(Network $network): Network
    {
        $sales = $network->sales;
        $place = $this->place($network);
        $old = $sales[$place];
        $decimals = $network->items[$old->item]->decimals;
        if ($this->qty !== null && ($this->qty < $old->shipped || ! Quantity::fits($this->qty, $decimals))) {
            throw $this->qty < $old->shipped
                ? DoesNotFit::because('shipped', ['line' => $old->reference()->name, 'qty' => new Amount($old->shipped)])
                : DoesNotFit::because('decimals', ['item' => $old->item, 'decimals' => $decimals]);
        }
        if ($this->priority !== null && ($this->priority < 1 || $this->priority > 9)) {
            throw DoesNotFit::because('priority');
        }
        $sales[$place] = $old->with(
            qty: $this->qty ?? $old->qty,
            due: $this->due ?? $old->due,
            priority: $this->priority ?? $old->priority,
        );

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
        throw DoesNotFit::because('no_sales_line', ['line' => Reference::sales($this->order, $this->line)->name]);
    }
}
