<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Comparison\DifferenceKind;

/** A late sales line in two plans. `kind` is added, gone or changed; dates are ISO dates, null where it is on time. */
final readonly class ComparedLate
{
    public function __construct(
        public DifferenceKind $kind,
        public string $order,
        public string $line,
        public string $customer,
        public string $item,
        public string $site,
        public string $qty,
        public string $unit,
        public string $due,
        public ?string $before,
        public ?string $after,
        public int $daysBefore,
        public int $daysAfter,
        public string $why,
    ) {
    }
}
