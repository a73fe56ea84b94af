<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What an order still needs. */
final readonly class ComponentRow
{
    /**
     * @param  list<SubstituteChoice>  $substitutes
     */
    public function __construct(
        public string $line,
        public string $item,
        public string $name,
        public string $unit,
        public string $qty,
        public string $issued,
        public string $open,
        public int $decimals,
        public string $need,
        public ?Strip $strip,
        public array $substitutes,
    ) {
    }
}
