<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** A proposal in the list. Dates are ISO dates; `due` is the date the order would take, `restsUntil` when what was put off comes back. */
final readonly class ProposalRow
{
    public function __construct(
        public string $reference,
        public int $number,
        public OrderKind $kind,
        public string $item,
        public string $site,
        public string $name,
        public string $unit,
        public int $decimals,
        public string $qty,
        public string $start,
        public string $wanted,
        public string $due,
        public string $expected,
        public ?string $supplier,
        public ?string $supplierName,
        public ?string $fromSite,
        public int $daysToStart,
        public ?string $waitsFor,
        public CauseStrip $causes,
        public string $purpose,
        public ?string $value,
        public string $currency,
        public ?string $restsUntil,
        public string $restsWhy,
    ) {
    }
}
