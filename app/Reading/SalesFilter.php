<?php

declare(strict_types=1);

namespace App\Reading;

/** Which sales lines a list has. Empty texts mean all. */
final readonly class SalesFilter
{
    /**
     * @param  string  $text  in order, customer or item
     * @param  ''|'customer'|'item'|'week'|'site'  $by  what they stand under
     */
    public function __construct(public string $site = '', public string $text = '', public bool $late = false, public string $by = '')
    {
    }
}
