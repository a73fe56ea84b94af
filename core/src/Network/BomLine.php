<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Quantity\Quantity;

/**
 * One component of an item. `qty` and `baseQty` in millionths, `scrap` in millionths of a percent, validity as day numbers, both inclusive.
 */
#[BundleFile('bom.csv', 'bom_lines')]
final readonly class BomLine implements Checked
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class), '', note: 'all')]
    public ?string $site;

    #[Column(new Code)]
    public string $line;

    #[Column(new RowOf(Item::class))]
    public string $component;

    #[Column(new Decimal)]
    public int $qty;

    #[Column(new Choice(Basis::class), 'unit')]
    public Basis $basis;

    #[Column(new Decimal(above: 0), '1')]
    public int $baseQty;

    #[Column(new Decimal(below: 100 * Quantity::ONE), '0', 'scrap_pct')]
    public int $scrap;

    #[Column(new Whole(0, Whole::MOST_DAYS), '0')]
    public int $offsetDays;

    #[Column(new DayColumn(ever: true), '')]
    public ?int $validFrom;

    #[Column(new DayColumn(ever: true), '')]
    public ?int $validTo;

    #[Column(new Whole, '')]
    public ?int $op;

    public function faults(): iterable
    {
        if ($this->validFrom !== null && $this->validTo !== null && $this->validTo < $this->validFrom) {
            yield Fault::mild('never_valid', [], 'validTo');
        }
    }
}
