<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\ClockTime;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Weekdays;
use Yposta\Core\Declaration\Whole;

/**
 * Working time of a centre on some weekdays. `from` and `to` in minutes from midnight; one that ends no later than it begins ends on
 * the next day.
 */
#[BundleFile('shifts.csv', 'shifts')]
final readonly class Shift
{
    use Row;

    #[Column(new RowOf(WorkCentre::class))]
    public string $workCentre;

    #[Column(new Weekdays)]
    public string $weekdays;

    #[Column(new ClockTime)]
    public int $from;

    #[Column(new ClockTime)]
    public int $to;

    #[Column(new Whole(0, Whole::MOST_UNITS), '', note: 'those of the centre')]
    public ?int $units;

    /** When it ends, in minutes from the midnight before it begins. */
    public function end(): int
    {
        return $this->to > $this->from ? $this->to : $this->to + 1440;
    }
}
