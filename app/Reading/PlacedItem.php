<?php

declare(strict_types=1);

namespace App\Reading;

/** An item at a site, as far as a picture names it. */
final readonly class PlacedItem
{
    public function __construct(public string $item, public string $site, public string $name, public string $unit)
    {
    }
}
