<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\ChaseRow;

/** What suppliers owe that somebody should ask about. */
final readonly class ChasePage extends Page
{
    /**
     * @param  list<ChaseRow>  $rows
     * @param  array<string, int>  $reasons  how many there are for each reason
     * @param  array<string, string>  $filter
     * @param  bool  $may  whether the person buys
     */
    public function __construct(public array $rows, public int $total, public array $reasons, public array $filter, public bool $may)
    {
    }
}
