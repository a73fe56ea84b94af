<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * A step of making an item. Times in millionths of a minute, `run` per `baseQty` (millionths).
 */
final readonly class Operation
{
    public function __construct(
        public string $item,
        public ?string $site,
        public int $op,
        public string $workCentre,
        public int $setup,
        public int $run,
        public int $baseQty,
        public int $queue,
        public int $move,
        public int $crew,
        public string $setupFamily,
    ) {
    }
}
