<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\SupplierItem;

/** Puts back by which rules a point was planned, and what suppliers offered for its item. */
final readonly class PutPlanning implements Change
{
    /** @param  list<SupplierItem>  $offers  all of the item */
    public function __construct(public Planning $planning, #[RowsOf(SupplierItem::class)] public array $offers)
    {
    }

    public function apply(Network $network): Network
    {
        $item = $this->planning->item;
        $offers = [];
        $left = $this->offers;
        foreach ($network->supplierItems as $offer) {
            $offers[] = $offer->item === $item ? array_shift($left) ?? $offer : $offer;
        }

        return $network->with(
            planning: [...$network->planning, Network::key($item, $this->planning->site) => $this->planning],
            supplierItems: [...$offers, ...$left],
        );
    }

    public function inverse(Network $before): array
    {
        $old = $before->planning[Network::key(
            $this->planning->item,
            $this->planning->site,
        )] ?? Planning::defaults($this->planning->item, $this->planning->site);

        return [new self(
            $old,
            array_values(array_filter($before->supplierItems, fn (SupplierItem $offer) => $offer->item === $this->planning->item)),
        )];
    }
}
