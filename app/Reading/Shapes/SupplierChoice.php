<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A supplier that could be ordered from instead. */
final readonly class SupplierChoice
{
    /**
     * @param  string  $possible  ISO date on which it could be here if it were ordered today
     * @param  int  $late  days after it is wanted
     * @param  string|null  $minQty  the least he sells, a decimal
     * @param  string|null  $multiple  of what he sells
     * @param  string|null  $value  price of what is proposed
     * @param  string|null  $punctual  how he kept his dates so far, in words; null where he has sent nothing yet
     */
    public function __construct(
        public string $code,
        public string $name,
        public int $lead,
        public ?string $price,
        public string $currency,
        public string $possible,
        public int $late,
        public ?string $minQty,
        public ?string $multiple,
        public ?string $value,
        public ?string $punctual,
    ) {
    }
}
