<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\CompanyValues;

/** What holds for the whole company. */
final readonly class CompanyPage extends Page
{
    /**
     * @param  list<string>  $timeZones  to choose from
     * @param  list<string>  $calendars  to choose from
     */
    public function __construct(public CompanyValues $values, public bool $isDemo, public array $timeZones, public array $calendars)
    {
    }
}
