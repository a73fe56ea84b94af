<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** One bucket of a point's record, quantities as text. */
final readonly class RecordRow
{
    public function __construct(
        public string $start,
        public string $sales,
        public string $forecast,
        public string $parts,
        public string $out,
        public string $needed,
        public string $receipts,
        public string $proposals,
        public string $toStart,
        public string $balance,
        public BalanceMark $mark,
    ) {
    }
}
