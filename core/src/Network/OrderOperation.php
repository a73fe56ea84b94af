<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\UnitNumbers;
use Yposta\Core\Declaration\Whole;

/**
 * An operation of an open order as it is scheduled. Times in millionths of a minute, `done` in millionths, instants as `YYYY-MM-DD HH:MM`.
 */
#[BundleFile('order_operations.csv', 'order_operations', ['order', 'op'])]
final readonly class OrderOperation
{
    use Row;

    #[Column(new RowOf(OpenOrder::class))]
    public string $order;

    #[Column(new Whole)]
    public int $op;

    #[Column(new RowOf(WorkCentre::class))]
    public string $workCentre;

    #[Column(new Decimal, '0', 'setup_min')]
    public int $setup;

    #[Column(new Decimal, '0', 'run_min')]
    public int $run;

    #[Column(new Whole(1, Whole::MOST_UNITS), '1')]
    public int $crew;

    #[Column(new Decimal, '0', 'done_qty')]
    public int $done;

    #[Column(new Instant, '')]
    public ?string $start;

    #[Column(new Instant, '')]
    public ?string $end;

    #[Column(new UnitNumbers, '')]
    public ?string $units;

    #[Column(new Flag, '0')]
    public bool $fixed;

    /** @return list<int> numbers of the units that it holds; none where it has not been scheduled */
    public function unitNumbers(): array
    {
        return $this->units === null || $this->units === '' ? [] : array_map(intval(...), explode(';', $this->units));
    }
}
