<?php

declare(strict_types=1);

namespace App\Reading;

/** Which points a grid shows, and in which order. Empty texts mean all. */
final readonly class GridFilter
{
    public function __construct(
        public string $site = '',
        public string $supply = '',
        public string $supplier = '',
        public bool $inTrouble = false,
        public string $text = '',
        public string $sort = 'structure',
    ) {
    }
}
