<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Quantity\Quantity;

/**
 * Anything stocked, made, bought or consumed.
 *
 * @see Quantity for the scale of `unitCost` (millionths of the currency)
 */
final readonly class Item
{
    public function __construct(
        public string $code,
        public string $name,
        public string $unit,
        public int $decimals,
        public bool $phantom,
        public int $unitCost,
    ) {
    }

    /** The smallest quantity of the item, in millionths. */
    public function step(): int
    {
        return Quantity::step($this->decimals);
    }
}
