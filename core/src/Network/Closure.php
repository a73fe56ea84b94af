<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;

/**
 * Time in which units of a centre do not work: the one that is named, or so many of those with the highest numbers, or all; instants as `YYYY-MM-DD HH:MM`.
 */
#[BundleFile('closures.csv', 'closures')]
final readonly class Closure implements Checked
{
    use Row;

    #[Column(new RowOf(WorkCentre::class))]
    public string $workCentre;

    #[Column(new Whole(1, Whole::MOST_UNITS), '', note: 'none: see units')]
    public ?int $unit;

    #[Column(new Instant)]
    public string $from;

    #[Column(new Instant)]
    public string $to;

    #[Column(new Whole(0, Whole::MOST_UNITS), '', note: 'all')]
    public ?int $units;

    #[Column(new Text, '')]
    public string $reason;

    public function faults(): iterable
    {
        if ($this->to <= $this->from && $this->to !== '' && $this->from !== '') {
            yield Fault::of('ends_before', [], 'to');
        }
    }
}
