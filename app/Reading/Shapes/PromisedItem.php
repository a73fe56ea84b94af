<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** When so much of an item can be promised. */
final readonly class PromisedItem
{
    /**
     * @param  string  $of  reference by which it is asked how it comes about
     * @param  string|null  $earliest  the first working day for all of it; null where there is none
     * @param  string  $onDate  how much can be had on the wished day
     * @param  list<PromisedPart>  $split  so much on the wished day and the rest; empty where that is no other answer
     * @param  string|null  $decidedBy  why it is not sooner; null where it is the first working day
     * @param  list<PromiseSource>  $sources  of what it is made on the earliest day, by day
     */
    public function __construct(
        public string $of,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public int $decimals,
        public string $qty,
        public ?string $earliest,
        public string $onDate,
        public array $split,
        public ?string $decidedBy,
        public ?Strip $strip,
        public array $sources,
    ) {
    }
}
