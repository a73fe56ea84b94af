<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** When what was asked for is complete, and through what. */
final readonly class AvailabilityAnswer
{
    /**
     * @param  list<ThreadRow>  $rows  each with the place of its need
     * @param  list<AskedNeed>  $needs
     * @param  string  $draftDay  the day asked for, or where that is too early the day on which it is there
     * @param  string  $changes  that make it due then, as JSON
     * @param  bool  $withShop  whether the dates are those of the shop
     * @param  bool  $full  whether the picture was cut off
     * @param  list<string>  $closed  days on which nobody works
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
        public array $needs,
        public bool $full,
        public array $closed,
        public array $slips,
        public array $figures,
        public int $decimals,
        public string $draftDay,
        public string $changes,
        public bool $withShop,
    ) {
    }
}
