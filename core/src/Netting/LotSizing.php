<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Options\Limits;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\Point;
use Yposta\Core\Support\Phrase;

/** Turns a net requirement into lots (section 5): the lot rule, then least quantity, multiple and most quantity. */
final readonly class LotSizing
{
    public function __construct(private Limits $limits = new Limits)
    {
    }

    /**
     * @param  int  $net  millionths, above zero
     * @return list<int> the quantity of each lot, millionths
     *
     * @throws QuantityOutOfRange when a lot leaves the range or there would be more than the limits allow
     */
    public function lots(Point $point, int $net): array
    {
        $size = $point->planning->lotRule->lotSize($point->planning);
        if ($size !== null) {
            return array_fill(0, $this->count($net, $size), $size);
        }
        $lot = $this->modified($point, $net);
        $most = $this->most($point);
        if ($most === 0 || $lot <= $point->maxQty) {
            return [$lot];
        }
        $count = $this->count($lot, $most);
        $lots = $count > 1 ? array_fill(0, $count - 1, $most) : [];

        return [...$lots, $this->modified($point, $lot - ($count - 1) * $most)];
    }

    /** At least the least quantity, rounded up to the multiple. */
    private function modified(Point $point, int $quantity): int
    {
        $quantity = max($quantity, $point->minQty);

        return $point->multiple > 0 ? Quantity::roundUp($quantity, $point->multiple) : Quantity::checked($quantity);
    }

    /** The most quantity rounded down to the multiple; 0 when nothing is split. */
    private function most(Point $point): int
    {
        return $point->multiple > 0 ? $point->maxQty - $point->maxQty % $point->multiple : $point->maxQty;
    }

    private function count(int $quantity, int $size): int
    {
        $count = Quantity::lots($quantity, $size);
        if ($count > $this->limits->lots) {
            throw new QuantityOutOfRange(new Phrase(
                'range.lots',
                ['qty' => new Amount($quantity), 'most' => $this->limits->lots, 'size' => new Amount($size)],
            ));
        }

        return $count;
    }
}
