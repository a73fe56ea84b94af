<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Run\MessageCode;

/** A message to work through. `applies` says what applying it would do, null where nothing can be done at once. */
final readonly class MessageTask
{
    public function __construct(
        public int $n,
        public MessageCode $code,
        public string $kind,
        public string $text,
        public string $item,
        public string $name,
        public string $site,
        public ?string $from,
        public ?string $to,
        public int $riskLines,
        public string $riskValue,
        public ?string $href,
        public ?string $applies,
        public ?string $state,
        public ?string $until,
        public string $reason,
        public string $by,
        public string $identity,
        public string $facts,
    ) {
    }
}
