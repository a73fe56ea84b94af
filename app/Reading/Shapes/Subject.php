<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What availability can be asked of: an open order, a sales line, an item at a site. `of` is its reference. */
final readonly class Subject
{
    /** @param  string|null  $item  of an item at a site; null for an order or a sales line, and so are site, unit and decimals */
    public function __construct(
        public string $of,
        public string $label,
        public string $note,
        public ?string $item = null,
        public ?string $site = null,
        public ?string $unit = null,
        public ?int $decimals = null,
    ) {
    }
}
