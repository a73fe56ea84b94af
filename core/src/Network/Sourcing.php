<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * Who supplies a point (section 5): the supplier that its planning data name, else the one who offers the item at the lowest rank, then by
 * name.
 */
final class Sourcing
{
    /** @var array<string, non-empty-list<SupplierItem>> offers by item, best first */
    private array $offers = [];

    /** @param  list<SupplierItem>  $offers */
    public function __construct(array $offers)
    {
        foreach ($offers as $offer) {
            $this->offers[$offer->item][] = $offer;
        }
        foreach ($this->offers as &$ofItem) {
            usort($ofItem, fn (SupplierItem $a, SupplierItem $b) => $a->rank <=> $b->rank ?: strcmp($a->supplier, $b->supplier));
        }
    }

    /** @return list<SupplierItem> who offers an item, the lowest rank first */
    public function offersOf(string $item): array
    {
        return $this->offers[$item] ?? [];
    }

    /** What a supplier offers for an item. */
    public function offer(string $supplier, string $item): ?SupplierItem
    {
        foreach ($this->offersOf($item) as $offer) {
            if ($offer->supplier === $supplier) {
                return $offer;
            }
        }

        return null;
    }

    /** The code of who supplies a bought point; null for other points, and where nobody does. */
    public function supplierOf(Planning $planning): ?string
    {
        return $planning->supply === OrderKind::Buy ? $planning->supplier ?? ($this->offersOf($planning->item)[0]->supplier ?? null) : null;
    }

    /** The offer by which a bought point is supplied. */
    public function offerFor(Planning $planning): ?SupplierItem
    {
        $supplier = $this->supplierOf($planning);

        return $supplier === null ? null : $this->offer($supplier, $planning->item);
    }
}
