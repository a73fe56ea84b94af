<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use InvalidArgumentException;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Options;
use Yposta\Core\Structure\ComponentLine;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\Structure;
use Yposta\Core\Structure\StructureBuilder;

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
     */
    public static function of(Structure $structure, Point $point, int $qty, int $due, int $planDate): self
    {
        $start = $point->leadCalendar->back($due, $point->lead);
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
     * When an item ordered from a supplier on the plan date could be at a site, as a day number: the supplier's lead time in the supplier's calendar.
     *
     * @throws InvalidArgumentException when the network lacks the site
     */
    public static function earliest(Network $network, Options $options, string $item, string $site, string $supplier): int
    {
        $planning = ($network->planning[Network::key($item, $site)] ?? Planning::defaults($item, $site))->boughtFrom($supplier);
        $structure = (new StructureBuilder(new Network(
            calendars: $network->calendars, sites: $network->sites, items: $network->items, planning: [Network::key($item, $site) => $planning],
            suppliers: $network->suppliers, supplierItems: $network->supplierItems,
        ), $options))->build();
        $point = $structure->find($item, $site) ?? throw new InvalidArgumentException("{$item} is not planned at {$site}");

        return $point->leadCalendar->forward($options->planDate, $point->lead);
    }
}
