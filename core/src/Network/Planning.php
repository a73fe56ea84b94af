<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Whole;

/**
 * How one item is planned at one site. Quantities in millionths, `leadDays` and `safetyDays` in working days, `groupDays` and
 * `frozenDays` in calendar days. `leadDays` is null when it was left empty.
 */
#[BundleFile('planning.csv', 'planning_data', ['item', 'site'])]
final readonly class Planning implements Checked
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Choice(OrderKind::class))]
    public OrderKind $supply;

    #[Column(new Whole(0, Whole::MOST_DAYS), '', note: '0')]
    public ?int $leadDays;

    #[Column(new RowOf(Supplier::class), '')]
    public ?string $supplier;

    #[Column(new RowOf(Site::class), '')]
    public ?string $fromSite;

    #[Column(new Decimal('item'), '0')]
    public int $safetyStock;

    #[Column(new Whole(0, Whole::MOST_DAYS), '0')]
    public int $safetyDays;

    #[Column(new Choice(LotRule::class), 'lot_for_lot')]
    public LotRule $lotRule;

    #[Column(new Whole(1, Whole::MOST_DAYS), '1')]
    public int $groupDays;

    #[Column(new Decimal('item'), '')]
    public ?int $fixedQty;

    #[Column(new Decimal('item'), '')]
    public ?int $stockMin;

    #[Column(new Decimal('item'), '')]
    public ?int $stockMax;

    #[Column(new Decimal('item'), '')]
    public ?int $minQty;

    #[Column(new Decimal('item'), '')]
    public ?int $multiple;

    #[Column(new Decimal('item'), '')]
    public ?int $maxQty;

    #[Column(new Whole(0, Whole::MOST_DAYS), '0')]
    public int $frozenDays;

    /** What holds for a point that has no row of its own: bought, all defaults. */
    public static function defaults(string $item, string $site): self
    {
        return self::of(item: $item, site: $site, supply: OrderKind::Buy);
    }

    /** The same point, supplied in another way than it is planned. */
    public function suppliedBy(SupplyAlternative $way): self
    {
        $becomesMade = $way->supply === OrderKind::Make && $this->supply !== OrderKind::Make;

        return $this->with(
            supply: $way->supply, supplier: $way->supplier, fromSite: $way->fromSite,
            leadDays: $way->leadDays ?? ($becomesMade ? null : $this->leadDays),
        );
    }

    public function faults(): iterable
    {
        yield from $this->lotRule->faults($this);
        yield from $this->supply->faultsOfSource($this->item, $this->site, $this->fromSite);
    }
}
