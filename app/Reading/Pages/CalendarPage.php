<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\CalendarYear;

/** When is worked. */
final readonly class CalendarPage extends Page
{
    public function __construct(public CalendarYear $calendar)
    {
    }
}
