<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Support\Phrase;

/** When how much of an item can be promised (scheduling rules, section 5). */
final readonly class PromiseAnswer
{
    /**
     * @param  int|null  $earliest  day number of the first working day on which all of it can be had; null when there is none
     * @param  int  $onDate  millionths that can be had on the wished day
     * @param  list<PromisePart>  $split  what can be had on the wished day and the rest, else one part or none
     * @param  PromiseSources|null  $madeOf  on the earliest day
     * @param  Phrase|null  $decidedBy  why it cannot be had a working day sooner, or at all; null when the first day holds
     */
    public function __construct(
        public ?int $earliest,
        public int $onDate,
        public array $split,
        public ?PromiseSources $madeOf,
        public ?Phrase $decidedBy,
    ) {
    }
}
