<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A page of the ledger. */
final readonly class MovementRows
{
    /**
     * @param  list<MovementRow>  $rows
     * @param  int  $count  of all that are looked at; 0 where the list goes on
     * @param  bool  $more  whether there are older ones
     */
    public function __construct(public array $rows, public int $count, public bool $more)
    {
    }
}
