<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\MovementRows;

/** The ledger. */
final readonly class MovementsPage extends Page
{
    /**
     * @param  array<string, string>  $filter
     * @param  bool  $may  whether the person moves stock
     */
    public function __construct(public MovementRows $list, public array $filter, public bool $may)
    {
    }
}
