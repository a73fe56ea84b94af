<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\LotRule;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;

/** Plans a point by other rules. What is null stays. */
final readonly class ChangePlanning implements Change
{
    /**
     * @param  string|null  $supply  make, buy or transfer
     * @param  int|null  $leadDays  working days; for what is bought this is what the supplier takes
     * @param  string|null  $lotRule  a value of {@see LotRule}
     */
    public function __construct(
        public string $item,
        public string $site,
        public ?string $supply = null,
        public ?int $leadDays = null,
        public ?string $supplier = null,
        public ?string $fromSite = null,
        public ?int $safetyStock = null,
        public ?int $safetyDays = null,
        public ?string $lotRule = null,
        public ?int $groupDays = null,
        public ?int $fixedQty = null,
        public ?int $stockMin = null,
        public ?int $stockMax = null,
        public ?int $minQty = null,
        public ?int $multiple = null,
        public ?int $maxQty = null,
        public ?int $frozenDays = null,
    ) {
    }

    public function apply(Network $network): Network
    {
        if (! isset($network->items[$this->item], $network->sites[$this->site])) {
            throw new DoesNotFit("there is no {$this->item} at {$this->site}");
        }
        $key = Network::key($this->item, $this->site);
        $old = $network->planning[$key] ?? Planning::defaults($this->item, $this->site);
        $values = array_filter(array_diff_key(get_object_vars($this), ['item' => 1, 'site' => 1]), fn ($value) => $value !== null);
        if ($this->supply !== null) {
            $values['supply'] = OrderKind::tryFrom($this->supply) ?? throw new DoesNotFit("'{$this->supply}' is no way to supply");
        }
        if ($this->lotRule !== null) {
            $values['lotRule'] = LotRule::tryFrom($this->lotRule) ?? throw new DoesNotFit("'{$this->lotRule}' is no lot rule");
        }
        $new = $old->with(...$values);
        $this->check($network, $new);
        $network = $network->with(planning: [...$network->planning, $key => $new]);

        return $this->leadDays === null || $new->supply !== OrderKind::Buy ? $network : $this->offerIn($network, $new->supplier);
    }

    public function inverse(Network $before): array
    {
        return [new PutPlanning($before->planning[Network::key($this->item, $this->site)] ?? Planning::defaults($this->item, $this->site), array_values(array_filter($before->supplierItems, fn ($offer) => $offer->item === $this->item)))];
    }

    private function check(Network $network, Planning $new): void
    {
        $trouble = match (true) {
            $new->supplier !== null && ! isset($network->suppliers[$new->supplier]) => "there is no supplier {$new->supplier}",
            $new->supply === OrderKind::Transfer && ($new->fromSite === null || ! isset($network->sites[$new->fromSite]) || $new->fromSite === $new->site) => "{$new->item} at {$new->site} needs another site to come from",
            $new->lotRule === LotRule::Fixed && (int) $new->fixedQty <= 0 => 'a fixed lot needs its quantity',
            $new->lotRule === LotRule::MinMax && ($new->stockMax === null || $new->stockMax < (int) $new->stockMin) => 'a maximum not below the minimum is needed',
            min($new->leadDays ?? 0, $new->safetyStock, $new->safetyDays, $new->frozenDays, $new->minQty ?? 0, $new->multiple ?? 0, $new->maxQty ?? 0, $new->groupDays - 1) < 0 => 'nothing here is below 0',
            max($new->leadDays ?? 0, $new->safetyDays, $new->frozenDays, $new->groupDays) > 10_000 => 'days go up to 10,000',
            default => null,
        };
        $trouble === null || throw new DoesNotFit($trouble);
    }

    /** The lead time of the offer by which the point is bought, if there is one. */
    private function offerIn(Network $network, ?string $supplier): Network
    {
        $best = null;
        foreach ($network->supplierItems as $place => $offer) {
            if ($offer->item === $this->item && ($supplier === null || $offer->supplier === $supplier)) {
                $other = $best === null ? null : $network->supplierItems[$best];
                if ($other === null || ($offer->rank <=> $other->rank ?: strcmp($offer->supplier, $other->supplier)) < 0) {
                    $best = $place;
                }
            }
        }
        if ($best === null) {
            return $network;
        }
        $offers = $network->supplierItems;
        $offers[$best] = $offers[$best]->with(leadDays: $this->leadDays);

        return $network->with(supplierItems: $offers);
    }
}
