<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Structure\ComponentLine;
use Yposta\Core\Structure\OwnStructure;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\Structure;
use Yposta\Core\Structure\StructureBuilder;
use Yposta\Core\Support\Phrase;

/**
 * What an order for a quantity and a due date looks like: its start, and the components that the run would give a proposal (section 5).
 */
final readonly class OrderFromProposal
{
    /** @param  list<array{line: ComponentLine, qty: int, need: int}>  $components  millionths and day numbers */
    private function __construct(public int $start, public array $components)
    {
    }

    /**
     * @param  int  $qty  millionths
     * @param  int  $due  day number
     * @param  int|null  $start  day number; null leaves it to the lead time
     */
    public static function of(Structure $structure, Point $point, int $qty, int $due, int $planDate, ?int $start = null): self
    {
        $start ??= $point->leadCalendar->back($due, $point->leadFor($qty));
        $day = max($start, $planDate);
        $components = [];
        foreach ($point->supply() === OrderKind::Make ? $structure->components[$point->index] ?? [] : [] as $line) {
            if ($line->validOn($day)) {
                $need = $line->offsetDays === 0 ? $day : $point->calendar->forward($day, $line->offsetDays);
                $components[] = ['line' => $line, 'qty' => $line->requirement($qty), 'need' => $need];
            }
        }

        return new self($start, $components);
    }

    /**
     * The structure of a point alone, with what it takes to make an order for it.
     *
     * @param  SupplyAlternative|null  $way  in which it is supplied, when not as it is planned
     * @return array{Structure, Point}
     *
     * @throws InvalidOptions when the network lacks the item or the site
     */
    public static function at(Network $network, Options $options, string $item, string $site, ?SupplyAlternative $way = null): array
    {
        if (! isset($network->items[$item], $network->sites[$site])) {
            throw new InvalidOptions(new Phrase('options.not_planned', ['item' => $item, 'site' => $site]));
        }
        $planning = $network->planning[Network::key($item, $site)] ?? Planning::defaults($item, $site);
        $planning = $way === null ? $planning : $planning->suppliedBy($way);
        $structure = (new StructureBuilder(Network::of(
            calendars: $network->calendars, sites: $network->sites, items: $network->items,
            planning: [Network::key($item, $site) => $planning],
            bom: $planning->supply === OrderKind::Make ? OwnStructure::of($network, $item) : [], suppliers: $network->suppliers,
            supplierItems: array_values(array_filter($network->supplierItems, fn (SupplierItem $offer) => $offer->item === $item)),
            workCentres: $network->workCentres, shifts: $network->shifts,
            operations: array_values(array_filter($network->operations, fn (Operation $row) => $row->item === $item)),
        ), $options->with(sites: null, items: null)))->build();

        return [$structure, $structure->points[$structure->indexes[Network::key($item, $site)]]];
    }

    /**
     * When an item ordered on the plan date could be at a site, as a day number: after the lead time, in its calendar. What it is made
     * of is not looked at.
     *
     * @param  int|null  $qty  millionths, where operations decide how long it takes; null for one piece
     *
     * @throws InvalidOptions when the network lacks the item or the site
     */
    public static function earliest(Network $network, Options $options, SupplyAlternative $way, ?int $qty = null): int
    {
        [, $point] = self::at($network, $options, $way->item, $way->site, $way);

        return $point->leadCalendar->forward($options->planDate, $point->leadFor($qty ?? Quantity::ONE));
    }
}
