<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * An order that exists: firm or released. Quantities in millionths, dates as day numbers; `start` is null when it was left empty
 * and is then reckoned back from the due date by the point's lead time.
 */
final readonly class OpenOrder
{
    use Changeable;

    public function __construct(
        public string $code,
        public OrderKind $kind,
        public OrderStatus $status,
        public string $item,
        public string $site,
        public ?string $fromSite,
        public ?string $supplier,
        public int $qty,
        public int $received,
        public ?int $start,
        public int $due,
        public bool $pinned,
        public int $priority,
    ) {
    }

    /** What is still to come, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->received);
    }
}
