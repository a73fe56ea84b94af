<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * By what an order or a proposal is known again in another plan: an order by its code, a proposal by its point, due date and place among
 * those, as `order:CODE` or tabs between the parts.
 */
final class SupplyIdentity
{
    private const ORDER = 'order:';

    public static function of(Plan $plan, Supply $supply): string
    {
        if (! $supply->isProposal()) {
            return self::ofOrder($supply->name);
        }
        $point = $plan->structure->points[$supply->point];

        return implode("\t", ['proposal', $point->item->code, $point->site->code, $supply->due, $plan->placeAmongDue($supply)]);
    }

    public static function ofOrder(string $code): string
    {
        return self::ORDER.$code;
    }

    /** What is known so in a plan; null when it is not there. */
    public static function find(Plan $plan, string $identity): ?Supply
    {
        $parts = explode("\t", $identity);
        $code = str_starts_with($identity, self::ORDER) ? substr($identity, strlen(self::ORDER)) : null;
        $order = $code === null ? null : $plan->network->orders[$code] ?? null;
        $point = $order !== null
            ? $plan->structure->find($order->item, $order->site)
            : (count($parts) === 5 ? $plan->structure->find($parts[1], $parts[2]) : null);
        foreach ($point === null ? [] : $plan->supplies[$point->index] ?? [] as $supply) {
            $isIt = $order === null
                ? $supply->isProposal() && self::of($plan, $supply) === $identity
                : $supply->kind === SupplyKind::Order && $supply->name === $code;
            if ($isIt) {
                return $supply;
            }
        }

        return null;
    }
}
