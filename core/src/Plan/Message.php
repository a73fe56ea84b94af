<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

/** One thing a run has to say. Dates as day numbers, the quantity in millionths; which ones they are depends on the code. */
final readonly class Message
{
    public function __construct(
        public MessageCode $code,
        public string $reference,
        public int $point,
        public ?int $from,
        public ?int $to,
        public int $qty,
    ) {
    }
}
