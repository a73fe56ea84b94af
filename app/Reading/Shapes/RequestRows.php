<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Requests as far as they are shown. */
final readonly class RequestRows
{
    /** @param  list<RequestRow>  $rows */
    public function __construct(public array $rows, public int $total)
    {
    }
}
