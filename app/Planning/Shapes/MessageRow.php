<?php

declare(strict_types=1);

namespace App\Planning\Shapes;

/** One thing the plan has to say. */
final readonly class MessageRow
{
    public function __construct(
        public string $code,
        public string $text,
        public string $item,
        public string $site,
        public ?string $from,
        public ?string $to,
        public ?string $href,
    ) {
    }
}
