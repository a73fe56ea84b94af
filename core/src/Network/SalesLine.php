<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * A line of a sales order. Quantities in millionths, `due` a day number, priority from 1 (most urgent) to 9.
 */
final readonly class SalesLine
{
    use Changeable;

    public function __construct(
        public string $order,
        public string $line,
        public string $item,
        public string $site,
        public int $qty,
        public int $shipped,
        public int $due,
        public string $customer,
        public int $priority,
    ) {
    }

    /** What is still to be delivered, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->shipped);
    }
}
