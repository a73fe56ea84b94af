<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** An order that was made of proposals. */
final readonly class MadeOrder
{
    public function __construct(
        public string $code,
        public OrderKind $kind,
        public string $title,
        public string $what,
        public string $href,
    ) {
    }
}
