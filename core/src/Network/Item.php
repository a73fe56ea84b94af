<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Quantity\Quantity;

/**
 * Anything stocked, made, bought or consumed.
 *
 * What is `autoIssue` is booked as used when the work that takes it is reported. What is `retired` is offered for nothing new; no effect
 * on a run.
 *
 * @see Quantity for the scale of `unitCost` and `salesPrice` (millionths of the currency)
 */
#[BundleFile('items.csv', 'items', ['code'])]
final readonly class Item
{
    use Row;

    #[Column(new Code, name: 'item')]
    public string $code;

    #[Column(new Text('code'), note: 'the code')]
    public string $name;

    #[Column(new Text, '')]
    public string $unit;

    #[Column(new Whole(0, Decimal::FINEST), '0')]
    public int $decimals;

    #[Column(new Flag, '0')]
    public bool $phantom;

    #[Column(new Decimal, '0')]
    public int $unitCost;

    #[Column(new Flag, '0')]
    public bool $autoIssue;

    #[Column(new Decimal, '0')]
    public int $salesPrice;

    #[Column(new Flag, '0')]
    public bool $retired;

    /** Items that are looked at and run together; empty for none. */
    #[Column(new Text, '')]
    public string $family;

    /** The smallest quantity of the item, in millionths. */
    public function step(): int
    {
        return Quantity::step($this->decimals);
    }
}
