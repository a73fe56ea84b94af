<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\NetworkSurroundings;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Network\SupplierItem;

/** Plans a point by other rules. What is not named stays. */
final readonly class ChangePlanning implements Change, Flat
{
    /**
     * @param  array<string, mixed>  $values  by property of {@see Planning}; the lead time of what is bought is what its supplier takes
     *
     * @throws InvalidChange when one is not known
     */
    public function __construct(public string $item, public string $site, public array $values)
    {
        $unknown = array_key_first(array_diff_key($values, self::changeable()));
        $unknown === null || throw InvalidChange::unknown($unknown);
    }

    public function apply(Network $network): Network
    {
        if (! isset($network->items[$this->item], $network->sites[$this->site])) {
            throw DoesNotFit::because('no_point', ['item' => $this->item, 'site' => $this->site]);
        }
        $key = Network::key($this->item, $this->site);
        $new = ($network->planning[$key] ?? Planning::defaults($this->item, $this->site))->with(...$this->values);
        foreach (Declaration::of(Planning::class)->faults($new, new NetworkSurroundings($network)) as $fault) {
            $fault->mild || throw new DoesNotFit($fault->problem);
        }
        $changed = $network->with(planning: [...$network->planning, $key => $new]);
        $offer = isset($this->values['leadDays']) ? (new Sourcing($network->supplierItems))->offerFor($new) : null;

        return $offer === null ? $changed : $changed->with(supplierItems: array_map(
            fn (SupplierItem $row) => $row === $offer ? $row->with(leadDays: $this->values['leadDays']) : $row, $network->supplierItems,
        ));
    }

    public function inverse(Network $before): array
    {
        $old = $before->planning[Network::key($this->item, $this->site)] ?? Planning::defaults($this->item, $this->site);

        return [new PutPlanning(
            $old,
            array_values(array_filter($before->supplierItems, fn (SupplierItem $offer) => $offer->item === $this->item)),
        )];
    }

    public function toFields(): array
    {
        $declaration = Declaration::of(Planning::class);
        $fields = ['item' => $this->item, 'site' => $this->site];
        foreach ($this->values as $property => $value) {
            $fields[$property] = $value === null ? null : $declaration->columns[$property]->type()->plain($value);
        }

        return $fields;
    }

    public static function fromFields(array $fields): self
    {
        [$item, $site] = [$fields['item'] ?? null, $fields['site'] ?? null];
        if (! is_string($item) || ! is_string($site)) {
            throw InvalidChange::missing(is_string($item) ? 'site' : 'item');
        }
        $named = array_filter(array_diff_key($fields, ['item' => 1, 'site' => 1]), fn (mixed $value) => $value !== null);

        return new self($item, $site, RowCodec::values(Declaration::of(Planning::class), $named));
    }

    /** @return array<string, mixed> what can be changed, by property */
    private static function changeable(): array
    {
        return array_diff_key(Declaration::of(Planning::class)->columns, ['item' => true, 'site' => true]);
    }
}
