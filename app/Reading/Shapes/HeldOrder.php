<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/**
 * An open order or sales line with how far what it needs is held for it. Shares in thousandths: what is held, and what is there in time
 * beside that; `holdable` counts the needs of which more could be held. `room` says which work centre has none for a production order,
 * where the plan does not go by the shop; null where all have.
 */
final readonly class HeldOrder
{
    public function __construct(
        public string $reference,
        public Link $subject,
        public string $item,
        public string $name,
        public string $due,
        public HoldStatus $status,
        public int $needs,
        public int $complete,
        public string $wanted,
        public string $kept,
        public bool $available,
        public int $heldShare,
        public int $freeShare,
        public int $holdable,
        public ?string $room,
    ) {
    }
}
