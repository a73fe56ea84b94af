<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Who sells an item, and for how much. */
final readonly class SupplierOffer
{
    /**
     * @param  string|null  $price  of one, in the quantity that is asked for
     * @param  list<PriceFrom>  $breaks  the least quantity first
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $currency,
        public ?int $lead,
        public ?string $punctual,
        public ?string $price = null,
        public array $breaks = [],
    ) {
    }

    /**
     * With what it costs.
     *
     * @param  list<PriceFrom>  $breaks
     */
    public function at(?string $price, array $breaks): self
    {
        return new self(...[...get_object_vars($this), 'price' => $price, 'breaks' => $breaks]);
    }
}
