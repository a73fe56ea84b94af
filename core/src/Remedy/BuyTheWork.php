<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadEntry;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;

/** What a work centre has no room for is bought, where a supplier offers what is proposed to be made. */
final readonly class BuyTheWork extends Remedy
{
    private const MOST = 3;

    private function __construct(private PutOrder $order, private string $supplier, private string $unit)
    {
        parent::__construct([$order]);
    }

    /** @return list<self> each proposal alone, what takes most first */
    public static function find(Plan $plan, Load $load, string $centre, int $place, ProposalOrigins $origins): array
    {
        $entries = array_filter($load->at($centre, $place), fn (LoadEntry $entry) => $entry->laid->supply->isProposal());
        usort($entries, fn (LoadEntry $one, LoadEntry $other) => $other->minutes <=> $one->minutes);
        $sourcing = new Sourcing($plan->network->supplierItems);
        $orders = new ProposalOrders($plan, $origins);
        $found = [];
        foreach ($entries as $entry) {
            $supply = $entry->laid->supply;
            $item = $plan->structure->points[$supply->point]->item;
            $offer = $sourcing->offersOf($item->code)[0] ?? null;
            if ($offer !== null && count($found) < self::MOST) {
                $found[spl_object_id($supply)] ??= new self(
                    self::order($plan, $orders, $supply, $offer), $plan->network->suppliers[$offer->supplier]->name, $item->unit,
                );
            }
        }

        return array_values($found);
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::BuyInstead;
    }

    protected function values(): array
    {
        return [
            'qty' => new Amount($this->order->order->qty, $this->unit), 'supplier' => $this->supplier,
            'due' => new Date($this->order->order->due),
        ];
    }

    /** As much as is proposed, by the supplier's lot rules, when it is wanted or as soon as it can be there. */
    private static function order(Plan $plan, ProposalOrders $orders, Supply $proposal, SupplierItem $offer): PutOrder
    {
        $point = $plan->structure->points[$proposal->point];
        $earliest = OrderFromProposal::earliest(
            $plan->network, $plan->options, SupplyAlternative::bought($point->item->code, $point->site->code, $offer->supplier),
        );
        $qty = max($proposal->qty, $offer->minQty ?? 0);
        $qty = ($offer->multiple ?? 0) > 0 ? Quantity::roundUp($qty, (int) $offer->multiple) : $qty;

        return $orders->bought($proposal, $offer->supplier, $qty, max($earliest, $proposal->due));
    }
}
