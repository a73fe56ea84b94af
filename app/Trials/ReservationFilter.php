<?php

declare(strict_types=1);

namespace App\Trials;

use App\Reading\Shapes\HoldStatus;

/** Which of the orders and sales lines, or of what is held, are looked at. `q` is found in what it is for, the item and its name. */
final readonly class ReservationFilter
{
    /** Rows of a list; what is beyond is counted. */
    public const ROWS = 500;

    /**
     * @param  value-of<HoldStatus>|''  $status
     */
    public function __construct(
        public string $site,
        public bool $held,
        public string $status,
        public bool $there,
        public string $q,
        public int $rows = self::ROWS,
    ) {
    }

    /** Whether one of some texts has what is looked for, however it is written. */
    public function finds(string ...$texts): bool
    {
        return $this->q === '' || array_filter($texts, fn (string $text) => mb_stripos($text, $this->q) !== false) !== [];
    }
}
