<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;

/**
 * A single day on which a calendar differs from its weekdays. `date` is a day number.
 */
#[BundleFile('calendar_days.csv', 'calendar_days', ['calendar', 'date'])]
final readonly class CalendarDay
{
    use Row;

    #[Column(new RowOf(CalendarWeek::class))]
    public string $calendar;

    #[Column(new DayColumn)]
    public int $date;

    #[Column(new Flag)]
    public bool $works;

    #[Column(new Text, '')]
    public string $note;
}
