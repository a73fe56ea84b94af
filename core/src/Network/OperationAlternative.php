<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Whole;

/**
 * Another centre on which an operation may run. `speed` in millionths of a percent.
 */
#[BundleFile('operation_alternatives.csv', 'operation_alternatives')]
final readonly class OperationAlternative
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class), '', note: 'all')]
    public ?string $site;

    #[Column(new Whole)]
    public int $op;

    #[Column(new RowOf(WorkCentre::class))]
    public string $workCentre;

    #[Column(new Decimal(above: 0), '100', 'speed_pct')]
    public int $speed;
}
