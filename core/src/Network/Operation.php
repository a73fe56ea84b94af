<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;

/**
 * A step of making an item. Times in millionths of a minute, `run` per `baseQty` (millionths).
 */
#[BundleFile('operations.csv', 'operations', ['item', 'site', 'op'])]
final readonly class Operation
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

    #[Column(new Decimal, '0', 'setup_min')]
    public int $setup;

    #[Column(new Decimal, '0', 'run_min')]
    public int $run;

    #[Column(new Decimal(above: 0), '1')]
    public int $baseQty;

    #[Column(new Decimal, '0', 'queue_min')]
    public int $queue;

    #[Column(new Decimal, '0', 'move_min')]
    public int $move;

    #[Column(new Whole(1, Whole::MOST_UNITS), '1')]
    public int $crew;

    #[Column(new Text, '')]
    public string $setupFamily;
}
