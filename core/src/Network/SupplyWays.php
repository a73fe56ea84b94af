<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/**
 * All ways to get an item at a site: first as it is planned, then its alternatives by rank, and bought where a supplier offers it. What is
 * bought of nobody in particular can be bought of each who offers it; where nobody does, of every supplier there is.
 */
final readonly class SupplyWays
{
    private Sourcing $sourcing;

    public function __construct(private Network $network)
    {
        $this->sourcing = new Sourcing($network->supplierItems);
    }

    /** @return list<SupplyAlternative> each once */
    public function of(string $item, string $site): array
    {
        $own = $this->network->planning[Network::key($item, $site)] ?? Planning::defaults($item, $site);
        $declared = array_values(array_filter(
            $this->network->supplyAlternatives, fn (SupplyAlternative $row) => $row->item === $item && $row->site === $site,
        ));
        usort($declared, fn (SupplyAlternative $one, SupplyAlternative $other) => $one->rank <=> $other->rank);
        $ways = [];
        $first = SupplyAlternative::of(
            item: $item, site: $site, supply: $own->supply, leadDays: $own->leadDays, supplier: $own->supplier, fromSite: $own->fromSite,
        );
        foreach ([$first, ...$declared, SupplyAlternative::of(item: $item, site: $site, supply: OrderKind::Buy)] as $row) {
            $named = $row->supply === OrderKind::Buy && $row->supplier === null ? [] : [$row];
            $offered = $row->supply === OrderKind::Buy && ($row->supplier === null || $row === $first) ? $this->offered($row) : [];
            foreach ([...$named, ...$offered] as $way) {
                $ways[$way->key()] ??= $way;
            }
        }

        if ($ways === [] && $own->supply === OrderKind::Buy) {
            return array_values(array_map(fn (Supplier $one) => $first->with(supplier: $one->code), $this->network->suppliers));
        }

        return array_values($ways);
    }

    /** The way that is called so; null where there is none. */
    public function find(string $item, string $site, string $key): ?SupplyAlternative
    {
        foreach ($this->of($item, $site) as $way) {
            if ($way->key() === $key) {
                return $way;
            }
        }

        return null;
    }

    /** @return list<SupplyAlternative> of all who offer it */
    private function offered(SupplyAlternative $row): array
    {
        return array_map(
            fn (SupplierItem $offer) => $row->with(supplier: $offer->supplier, leadDays: $row->supplier === null ? $row->leadDays : null),
            $this->sourcing->offersOf($row->item),
        );
    }
}
