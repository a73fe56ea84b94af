<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a new sales line begins with. */
final readonly class SalesStart
{
    /** @param  list<string>  $customers  that are known */
    public function __construct(public string $order, public string $line, public array $customers)
    {
    }
}
