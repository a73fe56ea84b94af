<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Proposals that became orders. */
final readonly class Converted
{
    /**
     * @param  list<MadeOrder>  $orders
     */
    public function __construct(
        public array $orders,
        public int $commit,
        public string $message,
    ) {
    }
}
