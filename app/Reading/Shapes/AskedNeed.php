<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A need below what was asked for, and how it is covered. Quantities are decimals as text, dates are ISO dates. */
final readonly class AskedNeed
{
    /**
     * @param  string|null  $identity  under which its remedies are found in the live plan; null where it is only asked
     * @param  list<AskedCover>  $cover
     * @param  string  $short  what neither stock nor open orders cover in time
     */
    public function __construct(
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public string $for,
        public string $qty,
        public string $date,
        public ?string $identity,
        public array $cover,
        public string $short,
        public bool $decides,
    ) {
    }
}
