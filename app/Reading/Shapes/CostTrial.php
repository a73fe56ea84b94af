<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Another cost of an item that is tried. */
final readonly class CostTrial
{
    /**
     * @param  string  $before  what it costs now
     * @param  int  $changed  items that cost something else then, itself among them
     * @param  string  $change  as a line of the draft, in JSON
     */
    public function __construct(
        public string $item,
        public string $name,
        public string $to,
        public string $before,
        public int $changed,
        public string $change,
    ) {
    }
}
