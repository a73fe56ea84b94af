<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A draft that was written: what is said about it, its number in the journal, the codes of new orders. */
final readonly class Committed
{
    /**
     * @param  int|null  $commit  under which it can be undone; null where it cannot, as what was started or sent
     * @param  list<string>  $orders
     */
    public function __construct(
        public string $message,
        public ?int $commit,
        public array $orders,
    ) {
    }
}
