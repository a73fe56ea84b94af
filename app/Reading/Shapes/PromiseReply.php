<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** When what a customer asks for can be promised. */
final readonly class PromiseReply
{
    /**
     * @param  list<PromisedItem>  $items  each beside those before it, or all of them on one day
     * @param  bool  $together  whether all of them come on one day
     * @param  string|null  $day  that day; null where there is none, or each has its own
     * @param  string|null  $decidedBy  why that is not sooner; null where it is the first working day, or each has its own
     * @param  list<PromiseHitRow>  $hits  who is served later for it, the longest first; of all items with their earliest days
     * @param  string  $from  the first day that was asked for
     */
    public function __construct(
        public array $items,
        public bool $together,
        public ?string $day,
        public ?string $decidedBy,
        public array $hits,
        public string $from,
    ) {
    }
}
