<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;

/** Adds a sales line, or brings one back. */
final readonly class PutSalesLine implements Change
{
    /** @param  list<Allocation>|null  $held  all that is held then, where it brings back what was held for the line; null for what is held now */
    public function __construct(public SalesLine $line, #[RowsOf(Allocation::class)] public ?array $held = null)
    {
    }

    public function apply(Network $network): Network
    {
        $line = $this->line;
        foreach ($network->sales as $other) {
            [$other->order, $other->line] !== [$line->order, $line->line]
                || throw DoesNotFit::because('sales_line_exists', ['line' => $line->reference()->name]);
        }
        isset($network->items[$line->item], $network->sites[$line->site])
            || throw DoesNotFit::because('no_point', ['item' => $line->item, 'site' => $line->site]);
        $line->qty > 0 || throw DoesNotFit::because('order_of_nothing');

        return $network->with(sales: [...$network->sales, $line], allocations: $this->held ?? $network->allocations);
    }

    public function inverse(Network $before): array
    {
        return [new RemoveSalesLine($this->line->order, $this->line->line)];
    }
}
