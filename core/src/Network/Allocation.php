<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\ReferenceTo;
use Yposta\Core\Declaration\Row;

/**
 * Supply that a person fixed to a demand, by references. `qty` in millionths.
 */
#[BundleFile('allocations.csv', 'allocations', note: 'supply held for a demand, in the order in which it counts')]
final readonly class Allocation
{
    use Row;

    #[Column(new ReferenceTo('demand'))]
    public string $demand;

    #[Column(new ReferenceTo('supply'))]
    public string $supply;

    #[Column(new Decimal)]
    public int $qty;
}
