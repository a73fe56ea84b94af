<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An order or a proposal on the board. */
final readonly class BoardOrder
{
    /**
     * @param  string  $of  by which the board asks for it
     * @param  string  $label  its code; "proposed" for what is no order yet
     * @param  string  $state  firm, released or proposed
     * @param  list<string>  $customers  for whom it is in the end, those who wait soonest first
     * @param  int|null  $target  minute at the end of the day on which it is wanted; null where nobody waits for it
     * @param  string  $way  to that, in words
     * @param  int  $late  days after it; 0 or less in time
     * @param  bool  $isPlaced  whether all its operations have places that were given to them
     */
    public function __construct(
        public string $of,
        public string $label,
        public string $item,
        public string $name,
        public string $qty,
        public string $unit,
        public string $state,
        public string $family,
        public array $customers,
        public ?int $target,
        public string $way,
        public int $late,
        public bool $isPlaced,
        public bool $isDrafted,
        public string $due,
    ) {
    }
}
