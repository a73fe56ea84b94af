<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Run\MessageCode;

/** One thing the plan has to say. */
final readonly class MessageRow
{
    public function __construct(
        public MessageCode $code,
        public string $text,
        public string $item,
        public string $site,
        public ?string $from,
        public ?string $to,
        public ?string $href,
    ) {
    }
}
