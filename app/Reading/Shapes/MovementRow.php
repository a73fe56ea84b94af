<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Study\PostingKind;

/** A movement of stock. */
final readonly class MovementRow
{
    /**
     * @param  string  $qty  a decimal, below 0 where it left the stock
     * @param  string  $day  ISO date on which it moved
     * @param  int|null  $counterOf  number of the movement that it takes back
     * @param  bool  $isBlocked  whether it is of stock that nobody may use
     * @param  bool  $isBelowZero  whether the books had less than was taken
     * @param  bool  $isCountered  whether it has been taken back
     */
    public function __construct(
        public int $id,
        public PostingKind $kind,
        public string $item,
        public string $name,
        public string $site,
        public string $qty,
        public string $unit,
        public int $decimals,
        public ?Link $document,
        public string $reason,
        public string $day,
        public string $by,
        public bool $isBlocked,
        public bool $isBelowZero,
        public ?int $counterOf,
        public bool $isCountered,
    ) {
    }
}
