<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Supply that is held for a demand; ISO dates. */
final readonly class HeldRow
{
    /**
     * @param  list<Subject>  $others
     */
    public function __construct(
        public string $demand,
        public string $supply,
        public Link $consumer,
        public string $from,
        public string $item,
        public string $name,
        public string $unit,
        public string $qty,
        public ?string $due,
        public ?string $arrives,
        public array $others,
    ) {
    }
}
