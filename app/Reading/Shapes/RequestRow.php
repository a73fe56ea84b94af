<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What purchasing is asked for. */
final readonly class RequestRow
{
    /**
     * @param  string  $code  of the line
     * @param  string|null  $price  of one, as the supplier offers it
     * @param  string  $due  ISO date on which it is asked for
     * @param  string|null  $orderBy  ISO date on which it has to be ordered to come then
     * @param  int  $daysPassed  since that day; 0 where it has not come
     * @param  list<Link>  $for  whom it is for, customers first, as far as they are shown
     * @param  int  $forCount  how many there are
     * @param  string  $forKey  whom it is for first, to group by
     * @param  list<SupplierOffer>  $offers  who sells it
     * @param  list<LabelledValue>  $open  orders of its supplier and site that have not been sent, by code
     */
    public function __construct(
        public string $code,
        public string $reference,
        public string $item,
        public string $name,
        public string $site,
        public string $qty,
        public string $unit,
        public int $decimals,
        public ?string $supplierCode,
        public ?string $supplier,
        public string $currency,
        public ?string $price,
        public ?string $value,
        public string $due,
        public ?string $orderBy,
        public int $daysPassed,
        public array $for,
        public int $forCount,
        public string $forKey,
        public int $lateLines,
        public string $note,
        public string $by,
        public string $at,
        public array $offers,
        public array $open,
    ) {
    }
}
