<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Run\MessageCode;

/** How many messages there are of a kind. */
final readonly class MessageKind
{
    public function __construct(
        public MessageCode $code,
        public string $label,
        public int $count,
    ) {
    }
}
