<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * What an open order still needs. Quantities in millionths; `need` is a day number, null means the order's start.
 */
final readonly class OrderComponent
{
    use Changeable;

    public function __construct(
        public string $order,
        public string $line,
        public string $item,
        public int $qty,
        public int $issued,
        public ?int $need,
    ) {
    }

    /** What is still to be issued, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->issued);
    }
}
