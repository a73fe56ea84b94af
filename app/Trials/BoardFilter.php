<?php

declare(strict_types=1);

namespace App\Trials;

/** Which part of the board is looked at. */
final readonly class BoardFilter
{
    /**
     * @param  int  $from  days from the plan date on
     * @param  string  $site  code; empty for all
     */
    public function __construct(public int $from = 0, public int $days = 56, public string $site = '')
    {
    }
}
