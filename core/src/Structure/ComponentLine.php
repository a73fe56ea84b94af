<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;

/** A structure line as an order needs it: phantoms dissolved, factors multiplied, validity intersected. */
final readonly class ComponentLine
{
    /**
     * @param  int  $point  the component's point
     * @param  string  $line  the line, or line.line on the way through phantoms
     * @param  Factor  $factor  of the order's quantity, or the requirement of one whole order
     * @param  bool  $perOrder  whether the factor is for the order whatever its quantity
     * @param  int  $step  smallest quantity of the component, millionths
     * @param  int  $offsetDays  working days after the order's start
     * @param  int|null  $validFrom  day number, inclusive
     * @param  int|null  $validTo  day number, inclusive
     * @param  int|null  $op  the operation that waits for it, of the outermost line; null for the first
     */
    public function __construct(
        public int $point,
        public string $item,
        public string $site,
        public string $line,
        public Factor $factor,
        public bool $perOrder,
        public int $step,
        public int $offsetDays,
        public ?int $validFrom,
        public ?int $validTo,
        public ?int $op = null,
    ) {
    }

    public function validOn(int $day): bool
    {
        return ($this->validFrom === null || $this->validFrom <= $day) && ($this->validTo === null || $this->validTo >= $day);
    }

    /**
     * What an order of a quantity needs, rounded up once.
     *
     * @param  int  $quantity  millionths
     * @return int millionths
     *
     * @throws QuantityOutOfRange naming the component
     */
    public function requirement(int $quantity): int
    {
        try {
            return $this->factor->requirement($this->perOrder ? Quantity::ONE : $quantity, $this->step);
        } catch (QuantityOutOfRange $trouble) {
            throw $trouble->at($this->item, $this->site);
        }
    }
}
