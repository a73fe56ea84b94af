<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Reference\Reference;

/** Takes a sales line away of which nothing has been shipped; what is held for it is held no more. */
final readonly class RemoveSalesLine implements Change
{
    public function __construct(public string $order, public string $line)
    {
    }

    public function apply(Network $network): Network
    {
        $own = $this->own($network);
        $own->shipped === 0
            || throw DoesNotFit::because('shipped_some', ['line' => $own->reference()->name]);

        return $network->with(
            sales: array_values(array_filter($network->sales, fn (SalesLine $line) => $line !== $own)),
            allocations: StockRows::heldForOthers($network, (string) $own->reference()),
        );
    }

    public function inverse(Network $before): array
    {
        $loses = $this->apply($before)->allocations !== $before->allocations;

        return [new PutSalesLine($this->own($before), $loses ? $before->allocations : null)];
    }

    private function own(Network $network): SalesLine
    {
        foreach ($network->sales as $line) {
            if ([$line->order, $line->line] === [$this->order, $this->line]) {
                return $line;
            }
        }
        throw DoesNotFit::because('no_sales_line', ['line' => Reference::sales($this->order, $this->line)->name]);
    }
}
