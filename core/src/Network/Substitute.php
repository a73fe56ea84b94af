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
 * A component that may stand in for another in an item's structure. `ratio` in millionths of the component's quantity.
 */
#[BundleFile('substitutes.csv', 'substitutes')]
final readonly class Substitute
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Item::class))]
    public string $component;

    #[Column(new RowOf(Item::class))]
    public string $substitute;

    #[Column(new Decimal, '1')]
    public int $ratio;

    #[Column(new Whole, '1')]
    public int $rank;
}
