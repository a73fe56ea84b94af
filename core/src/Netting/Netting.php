<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;

/** Nets every point, those that are needed by others after those that need them (section 5). */
final readonly class Netting
{
    public function __construct(private Workspace $work)
    {
    }

    /** @throws QuantityOutOfRange naming the item and site */
    public function run(): void
    {
        $proposer = new Proposer($this->work);
        $orderMessages = new OrderMessages($this->work);
        foreach ($this->work->structure->netting as $index) {
            $point = $this->work->structure->points[$index];
            if (! $point->inScope) {
                continue;
            }
            $demands = $this->work->demands[$index] ?? [];
            $supplies = $this->work->supplies[$index] ?? [];
            if ($demands === [] && $supplies === [] && $point->floor() <= 0) {
                continue;
            }
            usort($demands, fn ($a, $b) => $a->need <=> $b->need ?: $a->priority <=> $b->priority ?: $a->rank <=> $b->rank);
            $stock = 0;
            $receipts = [];
            foreach ($supplies as $supply) {
                $supply->kind === SupplyKind::Stock ? $stock = $supply->qty : $receipts[] = $supply;
            }
            $largest = $stock + $point->floor() + (int) $point->planning->stockMax + array_sum(Quantity::of($receipts)) + array_sum(Quantity::of($demands));
            $unit = Quantity::unitFor($largest, $point->item->step());
            try {
                (new PointSweep($this->work->options, $proposer, $point, $demands, $receipts, $stock, $unit))->run();
                $receipts === [] || $orderMessages->write($point, $demands, $stock, $unit);
            } catch (QuantityOutOfRange $trouble) {
                throw $trouble->at($point->item->code, $point->site->code);
            }
        }
    }
}
