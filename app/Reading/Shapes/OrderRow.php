<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Run\MessageCode;

/** An order in the list. */
final readonly class OrderRow
{
    public function __construct(
        public string $reference,
        public string $code,
        public OrderKind $kind,
        public OrderState $status,
        public string $site,
        public ?string $supplier,
        public string $what,
        public int $lines,
        public ?string $qty,
        public string $unit,
        public string $due,
        public int $daysLate,
        public ?MessageCode $message,
        public ?string $made,
        public bool $held,
        public ?string $notBefore,
        public ?string $finishBy,
        public ?PurchaseStage $stage,
    ) {
    }
}
