<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Requests that became purchase orders. */
final readonly class Bought
{
    /** @param  list<MadeOrder>  $orders */
    public function __construct(public array $orders, public string $message)
    {
    }
}
