<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Whole;

/**
 * Another way to get an item at a site than the one it is planned by: made, bought of a supplier, moved from a site. No effect on a run;
 * a person takes it where a proposal becomes an order. `leadDays` in working days; null leaves the point's own, or of what is made those of
 * its operations.
 */
#[BundleFile('alternatives.csv', 'supply_alternatives', ['item', 'site', 'rank'])]
final readonly class SupplyAlternative implements Checked
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Whole(1), '1')]
    public int $rank;

    #[Column(new Choice(OrderKind::class))]
    public OrderKind $supply;

    #[Column(new Whole(0, Whole::MOST_DAYS), '')]
    public ?int $leadDays;

    #[Column(new RowOf(Supplier::class), '')]
    public ?string $supplier;

    #[Column(new RowOf(Site::class), '')]
    public ?string $fromSite;

    /** To buy of a supplier whatever the point is planned as. */
    public static function bought(string $item, string $site, string $supplier): self
    {
        return self::of(item: $item, site: $site, supply: OrderKind::Buy, supplier: $supplier);
    }

    /** What tells it from the other ways of its point: `make`, `buy:SUPPLIER`, `transfer:SITE`. */
    public function key(): string
    {
        return match ($this->supply) {
            OrderKind::Make => $this->supply->value,
            OrderKind::Buy => "{$this->supply->value}:{$this->supplier}",
            OrderKind::Transfer => "{$this->supply->value}:{$this->fromSite}",
        };
    }

    public function faults(): iterable
    {
        yield from $this->supply->faultsOfSource($this->item, $this->site, $this->fromSite);
    }
}
