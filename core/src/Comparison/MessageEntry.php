<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

/** A message as it is compared. `about` is its reference, or "proposal" as the numbers of proposals differ from plan to plan. */
final readonly class MessageEntry
{
    public function __construct(
        public string $code,
        public string $about,
        public string $item,
        public string $site,
        public ?int $from,
        public ?int $to,
        public int $qty,
    ) {
    }
}
