<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a production order was to take, and what it took so far. */
final readonly class PlannedAndReal
{
    /**
     * @param  string  $material  planned, in the currency of the company, with cents
     * @param  string  $issued  what has been issued of it, or beyond it
     * @param  string|null  $minutes  of its operations as they are planned; null where they are not written out
     * @param  int  $reported  minutes that were reported
     * @param  string  $scrap  pieces that were reported as scrap
     */
    public function __construct(
        public string $material,
        public string $issued,
        public ?string $minutes,
        public int $reported,
        public string $scrap,
    ) {
    }
}
