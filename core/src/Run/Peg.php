<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/** So much of a supply serves a demand, in millionths; one for each pair. */
final class Peg
{
    public function __construct(
        public readonly Supply $supply,
        public readonly Demand $demand,
        public int $qty,
    ) {
    }
}
