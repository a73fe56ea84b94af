<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;
use Yposta\Core\Support\Phrase;

/** Nets every point, those that are needed by others after those that need them (section 5). */
final readonly class Netting
{
    private Proposer $proposer;

    private OrderMessages $orderMessages;

    private Explosion $explosion;

    public function __construct(private Workspace $work)
    {
        $this->proposer = new Proposer($work);
        $this->orderMessages = new OrderMessages($work);
        $this->explosion = new Explosion($work);
    }

    /** @throws QuantityOutOfRange naming the item and site */
    public function run(): void
    {
        $elements = 0;
        foreach ($this->work->structure->netting as $index) {
            $point = $this->work->structure->points[$index];
            $elements += $this->work->size($index);
            foreach ($this->net($point) as $seq => $proposal) {
                $this->explosion->explode($point, $proposal, $seq);
                $elements++;
            }
            if ($elements > $this->work->limits->elements) {
                throw $this->tooLarge()->at($point->item->code, $point->site->code);
            }
        }
        $this->work->number();
    }

    /**
     * After points have been netted again: whether the whole is not too large.
     *
     * @throws QuantityOutOfRange
     */
    public function checkSize(): void
    {
        $most = $this->work->limits->elements;
        if ($most < PHP_INT_MAX && array_sum(array_map($this->work->size(...), $this->work->structure->netting)) > $most) {
            throw $this->tooLarge();
        }
    }

    private function tooLarge(): QuantityOutOfRange
    {
        return new QuantityOutOfRange(new Phrase('range.elements', ['most' => $this->work->limits->elements]));
    }

    /**
     * Nets one point; what its proposals need in turn is still to be exploded.
     *
     * @return list<Supply> the proposals made
     *
     * @throws QuantityOutOfRange naming the item and site
     */
    public function net(Point $point): array
    {
        $demands = $this->work->demands[$point->index] ?? [];
        $supplies = $this->work->supplies[$point->index] ?? [];
        if (! $point->inScope || ($demands === [] && $supplies === [] && $point->floor() <= 0)) {
            return [];
        }
        if (count($demands) > 1) {
            usort($demands, fn ($a, $b) => $a->need <=> $b->need ?: $a->priority <=> $b->priority ?: $a->rank <=> $b->rank);
            $this->work->demands[$point->index] = $demands; // the projection goes by the same order, as a rule
        }
        $stock = 0;
        $receipts = [];
        foreach ($supplies as $supply) {
            $supply->kind === SupplyKind::Stock ? $stock = $supply->qty : $receipts[] = $supply;
        }
        $largest = $stock + $point->floor() + (int) $point->planning->stockMax
            + array_sum(Quantity::of($receipts)) + array_sum(Quantity::of($demands));
        $unit = Quantity::unitFor($largest, $point->item->step());
        try {
            (new PointSweep(
                options: $this->work->options,
                proposer: $this->proposer,
                point: $point,
                demands: $demands,
                receipts: $receipts,
                stock: $stock,
                unit: $unit,
            ))->run();
            $receipts === [] || $this->orderMessages->write($point, $demands, $stock, $unit);
        } catch (QuantityOutOfRange $trouble) {
            throw $trouble->at($point->item->code, $point->site->code);
        }

        return array_slice($this->work->supplies[$point->index] ?? [], count($supplies));
    }
}
