<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;

/** What may become of sales lines that are written as rows: what was shipped, promised or held of them is not typed. */
final class TypedSales
{
    /**
     * @return Network the one after, without what was held for lines that went, or are of something else now
     *
     * @throws DoesNotFit
     */
    public static function checked(Network $before, Network $after): Network
    {
        $drops = [];
        foreach (RowDifference::of(
            $before->sales, $after->sales, fn (SalesLine $line) => "{$line->order}\x1f{$line->line}",
        ) as [$old, $new]) {
            $shipped = $old->shipped ?? 0;
            if ($new === null) {
                $shipped === 0 || throw DoesNotFit::because('shipped_some', ['line' => $old?->reference()->name ?? '']);
            } else {
                $name = $new->reference()->name;
                [$new->shipped, $new->heldUntil, $new->answered] === [$shipped, $old?->heldUntil, $old?->answered]
                    || throw DoesNotFit::because('line_past', ['line' => $name]);
                $new->qty >= max(1, $shipped) || throw ($shipped === 0
                    ? DoesNotFit::because('order_of_nothing')
                    : DoesNotFit::because('shipped', ['line' => $name, 'qty' => new Amount($shipped)]));
            }
            if ($old !== null && ($new === null || [$old->item, $old->site] !== [$new->item, $new->site])) {
                $shipped === 0 || throw DoesNotFit::because('shipped_some', ['line' => $old->reference()->name]);
                $drops[(string) Reference::sales($old->order, $old->line)] = true;
            }
        }
        foreach ($drops === [] ? [] : $after->allocations as $row) {
            if (isset($drops[$row->demand])) {
                return $after->with(allocations: array_values(array_filter(
                    $after->allocations, fn (Allocation $held) => ! isset($drops[$held->demand]),
                )));
            }
        }

        return $after;
    }
}
