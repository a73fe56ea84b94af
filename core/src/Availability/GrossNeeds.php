<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\SupplyKind;

/**
 * What an order of a quantity takes of each part over all levels, as if nothing of what is made were on stock, against what there is of
 * it.
 */
final class GrossNeeds
{
    /**
     * @param  int  $point  of what is made
     * @param  int  $qty  millionths
     * @param  int  $day  day number, for the validity of structures and for what has arrived
     * @return list<array{point: int, qty: int, stock: int, incoming: int, missing: int}> bought parts by item and site; millionths.
     *    `stock` is all there is, whoever it is for; `incoming` what open orders bring until the day
     *
     * @throws QuantityOutOfRange
     */
    public static function of(Plan $plan, int $point, int $qty, int $day): array
    {
        $structure = $plan->structure;
        $needs = [$point => $qty];
        $rows = [];
        foreach ($structure->netting as $index) {
            if (! isset($needs[$index])) {
                continue;
            }
            $at = $structure->points[$index];
            if ($at->supply() === OrderKind::Transfer && $at->source !== null) {
                $needs[$at->source] = ($needs[$at->source] ?? 0) + $needs[$index];
            } elseif ($at->supply() === OrderKind::Make && ($structure->components[$index] ?? []) !== []) {
                foreach ($structure->components[$index] as $line) {
                    $line->validOn($day) && $needs[$line->point] = ($needs[$line->point] ?? 0) + $line->requirement($needs[$index]);
                }
            } else {
                $stock = $incoming = 0;
                foreach ($plan->supplies[$index] ?? [] as $supply) {
                    $stock += $supply->kind === SupplyKind::Stock ? $supply->qty : 0;
                    $incoming += $supply->kind === SupplyKind::Order && $supply->available <= $day ? $supply->qty : 0;
                }
                $rows[] = [
                    'point' => $index, 'qty' => $needs[$index], 'stock' => $stock, 'incoming' => $incoming,
                    'missing' => max(0, $needs[$index] - $stock - $incoming),
                ];
            }
        }
        usort(
            $rows,
            fn (array $a, array $b) => [
                $structure->points[$a['point']]->item->code,
                $structure->points[$a['point']]->site->code,
            ] <=> [$structure->points[$b['point']]->item->code, $structure->points[$b['point']]->site->code],
        );

        return $rows;
    }
}
