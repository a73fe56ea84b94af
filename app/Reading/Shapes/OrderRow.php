<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Run\MessageCode;

/** An order in the list. */
final readonly class OrderRow
{
    /**
     * @param  int  $version  the optimistic lock
     * @param  string  $group  what it stands under
     * @param  list<OpenLine>  $open  its lines of which something is still to come
     */
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
        public int $version,
        public string $group,
        public array $open,
    ) {
    }
}
