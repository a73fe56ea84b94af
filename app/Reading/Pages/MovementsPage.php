<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\BlockedStock;
use App\Reading\Shapes\MovementRows;

/** The ledger. */
final readonly class MovementsPage extends Page
{
    /**
     * @param  array<string, string>  $filter
     * @param  list<BlockedStock>  $blocked  what somebody has to look at
     * @param  bool  $may  whether the person moves stock
     */
    public function __construct(public MovementRows $list, public array $filter, public array $blocked, public bool $may)
    {
    }
}
