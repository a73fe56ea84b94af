<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** One thing a run has to say. Dates as day numbers, the quantity in millionths; which ones they are depends on the code. */
final readonly class Message
{
    /** @param  Supply|Demand|string  $about  what it speaks of, or a reference where that is no element of the plan */
    public function __construct(
        public MessageCode $code,
        public Supply|Demand|string $about,
        public int $point,
        public ?int $from,
        public ?int $to,
        public int $qty,
    ) {
    }

    public function reference(): string
    {
        return is_string($this->about) ? $this->about : $this->about->reference();
    }

    /** What is behind the kind in its reference. */
    public function name(): string
    {
        return explode(':', $this->reference(), 2)[1];
    }
}
