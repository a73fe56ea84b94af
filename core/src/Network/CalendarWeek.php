<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\Weekdays;

/**
 * The weekdays on which a calendar works.
 */
#[BundleFile('calendars.csv', 'calendars', ['code'])]
final readonly class CalendarWeek
{
    use Row;

    #[Column(new Code, name: 'calendar')]
    public string $code;

    #[Column(new Weekdays(false))]
    public string $weekdays;
}
