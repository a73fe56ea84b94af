<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** When what was asked for is complete, and through what. */
final readonly class AvailabilityAnswer
{
    /**
     * @param  list<AvailabilityRow>  $rows
     * @param  list<ArrivalChangeRow>  $slips
     * @param  list<DraftFigure>  $figures
     */
    public function __construct(
        public string $label,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public string $qty,
        public string $wanted,
        public ?string $complete,
        public bool $inTime,
        public bool $fromStock,
        public string $decidedBy,
        public array $rows,
        public int $more,
        public array $slips,
        public array $figures,
        public string $changes,
    ) {
    }
}
