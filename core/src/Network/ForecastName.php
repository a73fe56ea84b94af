<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\Text;

/**
 * What a forecast is for, and the days that it speaks of; null leaves that end open. No effect on a run: a forecast may have figures
 * without standing here, and those outside of its days count as before, but are no longer typed.
 */
#[BundleFile('forecast_names.csv', 'forecast_names', ['code'])]
final readonly class ForecastName implements Checked
{
    use Row;

    #[Column(new Code, name: 'forecast')]
    public string $code;

    #[Column(new Text, '')]
    public string $purpose;

    #[Column(new DayColumn, '')]
    public ?int $begins;

    #[Column(new DayColumn, '')]
    public ?int $ends;

    /** Whether it speaks of any day of a stretch. */
    public function covers(int $first, int $last): bool
    {
        return ($this->begins === null || $this->begins <= $last) && ($this->ends === null || $first <= $this->ends);
    }

    public function faults(): iterable
    {
        return Fault::ofSpan($this->begins, $this->ends, $this->code);
    }
}
