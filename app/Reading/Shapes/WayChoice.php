<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** A way in which what is proposed could be got: made, bought of a supplier, moved from a site. */
final readonly class WayChoice
{
    /**
     * @param  string  $way  what it is called in a request
     * @param  string|null  $supplier  code
     * @param  int  $lead  working days
     * @param  string|null  $price  of one, at this quantity
     * @param  string  $possible  ISO date on which it could be here if it were ordered today
     * @param  int  $late  days after it is wanted
     * @param  string|null  $minQty  the least he sells, a decimal
     * @param  string|null  $multiple  of what he sells
     * @param  string|null  $value  price of this quantity
     * @param  list<PriceFrom>  $breaks  the least quantity first
     * @param  string|null  $punctual  how he kept his dates so far, in words; null where he has sent nothing yet
     */
    public function __construct(
        public string $way,
        public OrderKind $kind,
        public ?string $supplier,
        public string $name,
        public int $lead,
        public ?string $price,
        public string $currency,
        public string $possible,
        public int $late,
        public ?string $minQty,
        public ?string $multiple,
        public ?string $value,
        public array $breaks,
        public ?string $punctual,
    ) {
    }
}
