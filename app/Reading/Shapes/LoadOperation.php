<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An operation that takes time of a centre in a period, with its arithmetic in words. */
final readonly class LoadOperation
{
    /**
     * @param  Link  $order  or proposal
     * @param  string  $name  of the item
     * @param  int  $minutes  of all its units, in the period
     */
    public function __construct(
        public Link $order,
        public string $name,
        public int $op,
        public string $arithmetic,
        public int $minutes,
    ) {
    }
}
