<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Options\Options;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\ReferenceOrder;

/**
 * Makes the structure of a network (sections 1 and 3): resolves what each point is planned by, dissolves phantoms,
 * finds low-level codes and loops. Codes are those of the whole input, whatever a run selects.
 */
final class StructureBuilder
{
    /** @var list<Point> */
    private array $points = [];

    /** @var array<string, int> */
    private array $indexes = [];

    /** @var array<string, list<BomLine>> lines by item, in their order */
    private array $lines = [];

    /** @var array<int, list<ComponentLine>> */
    private array $components = [];

    private readonly Calendar $everyDay;

    private readonly Sourcing $sourcing;

    private readonly Shop $shop;

    public function __construct(private readonly Network $network, private readonly Options $options)
    {
        $this->everyDay = Calendar::everyDay();
        $this->sourcing = new Sourcing($network->supplierItems);
        $this->shop = new Shop($network, $options->calendars);
    }

    /** @throws LoopFound */
    public function build(): Structure
    {
        $this->collectLines();
        $this->collectPoints();
        $edges = $this->edges();
        (new LowLevelCodes($this->points))->assign($edges);
        $this->narrow($edges);

        return new Structure($this->points, $this->indexes, $this->components, $this->netting());
    }

    /** @return list<int> points by level, item, site */
    private function netting(): array
    {
        $netting = array_keys($this->points);
        $levels = $items = $sites = [];
        foreach ($this->points as $point) {
            $levels[] = $point->level;
            $items[] = $point->item->code;
            $sites[] = $point->site->code;
        }
        array_multisort($levels, $items, SORT_STRING, $sites, SORT_STRING, $netting);

        return $netting;
    }

    private function collectLines(): void
    {
        foreach ($this->network->bom as $line) {
            $this->lines[$line->item][] = $line;
        }
        foreach ($this->lines as &$lines) {
            usort(
                $lines,
                fn (BomLine $a, BomLine $b) => ReferenceOrder::lines($a->line, $b->line) ?: strcmp((string) $a->site, (string) $b->site),
            );
        }
    }

    private function collectPoints(): void
    {
        foreach ($this->network->planning as $planning) {
            $this->addPoint($planning);
        }
        foreach ([$this->network->stock, $this->network->forecasts, $this->network->sales, $this->network->orders] as $rows) {
            foreach ($rows as $row) {
                $this->point($row->item, $row->site);
            }
        }
        foreach ($this->network->jobLines as $line) {
            $line->wanted() === null || $this->point($line->wanted(), $line->site);
        }
        foreach ($this->network->orders as $order) {
            $order->fromSite === null || $this->point($order->item, $order->fromSite);
        }
        foreach ($this->network->components as $component) {
            $this->point($component->item, $this->network->orders[$component->order]->site);
        }
    }

    private function point(string $item, string $site): int
    {
        return $this->indexes[Network::key($item, $site)] ?? $this->addPoint(Planning::defaults($item, $site));
    }

    private function addPoint(Planning $planning): int
    {
        $index = count($this->points);
        $site = $this->network->sites[$planning->site];
        $calendar = $this->calendar($site->calendar);
        $supplier = $this->sourcing->supplierOf($planning);
        $offer = $this->sourcing->offerFor($planning);
        $leadCalendar = $supplier === null ? null : $this->network->suppliers[$supplier]->calendar;
        $this->points[] = new Point(
            index: $index,
            item: $this->network->items[$planning->item],
            site: $site,
            planning: $planning,
            calendar: $calendar,
            leadCalendar: $leadCalendar === null ? $calendar : $this->calendar($leadCalendar),
            lead: $offer->leadDays ?? $planning->leadDays ?? 0,
            makeLead: $planning->leadDays ?? 0,
            supplier: $supplier,
            minQty: $offer->minQty ?? $planning->minQty ?? 0,
            multiple: $offer->multiple ?? $planning->multiple ?? 0,
            maxQty: $planning->maxQty ?? 0,
            safetyStock: $this->options->safetyStock ? $planning->safetyStock : 0,
            operations: $planning->supply === OrderKind::Make && $planning->leadDays === null
                ? $this->shop->lead($planning->item, $planning->site)
                : null,
        );
        $this->indexes[Network::key($planning->item, $planning->site)] = $index;

        return $index;
    }

    private function calendar(?string $code): Calendar
    {
        return $code === null || ! $this->options->calendars ? $this->everyDay : $this->network->calendars[$code];
    }

    /**
     * Edges from a point to those it takes from; this also brings components that have no row of their own into being.
     *
     * @return array<int, array<int, true>>
     */
    private function edges(): array
    {
        $edges = [];
        $withRows = [];
        foreach ($this->network->components as $component) {
            $order = $this->network->orders[$component->order];
            $withRows[$order->code] = true;
            if ($order->kind === OrderKind::Make) {
                $edges[$this->point($order->item, $order->site)][$this->point($component->item, $order->site)] = true;
            }
        }
        foreach ($this->network->orders as $order) {
            if ($order->kind === OrderKind::Make && ! isset($withRows[$order->code])) {
                $index = $this->point($order->item, $order->site);
                $edges[$index] = ($edges[$index] ?? []) + $this->componentEdges($index);
            }
        }
        for ($index = 0; $index < count($this->points); $index++) {
            $point = $this->points[$index];
            if ($point->supply() === OrderKind::Make) {
                $edges[$index] = ($edges[$index] ?? []) + $this->componentEdges($index);
            } elseif ($point->supply() === OrderKind::Transfer) {
                $point->source = $this->point($point->item->code, (string) $point->planning->fromSite);
                $edges[$index][$point->source] = true;
            }
        }

        return $edges;
    }

    /** @return array<int, true> */
    private function componentEdges(int $index): array
    {
        $point = $this->points[$index];
        $this->components[$index] ??= $this->dissolve($point->item->code, $point->site->code, null, [$point]);
        $edges = [];
        foreach ($this->components[$index] as $line) {
            $edges[$line->point] = true;
        }

        return $edges;
    }

    /**
     * The lines of an item at a site with every phantom replaced by its own lines.
     *
     * @param  ComponentLine|null  $above  the phantom's line on which these hang
     * @param  non-empty-list<Point>  $path  from the order's point down to this item
     * @return list<ComponentLine>
     */
    private function dissolve(string $item, string $site, ?ComponentLine $above, array $path): array
    {
        $dissolved = [];
        foreach ($this->lines[$item] ?? [] as $line) {
            if ($line->site !== null && $line->site !== $site) {
                continue;
            }
            $perOrder = $line->basis === Basis::Order;
            $own = Factor::ofLine($line->qty, $perOrder ? Quantity::ONE : $line->baseQty, $line->scrap);
            $component = $this->network->items[$line->component];
            $index = $this->point($line->component, $site);
            $resolved = new ComponentLine(
                point: $index,
                item: $line->component,
                site: $site,
                line: $above === null ? $line->line : "{$above->line}.{$line->line}",
                factor: $above === null || $perOrder ? $own : $above->factor->times($own),
                perOrder: $perOrder || ($above !== null && $above->perOrder),
                step: $component->step(),
                offsetDays: $line->offsetDays + ($above->offsetDays ?? 0),
                validFrom: self::later($line->validFrom, $above?->validFrom),
                validTo: self::earlier($line->validTo, $above?->validTo),
                op: $above === null ? $line->op : $above->op,
            );
            if (! $component->phantom) {
                $dissolved[] = $resolved;

                continue;
            }
            $phantom = $this->points[$index];
            foreach ($path as $place => $passed) {
                if ($passed === $phantom) {
                    throw LoopFound::of(array_slice($path, $place));
                }
            }
            array_push($dissolved, ...$this->dissolve($line->component, $site, $resolved, [...$path, $phantom]));
        }

        return $dissolved;
    }

    /**
     * Marks the points outside the run: `sites` filters strictly, `items` takes their points and everything below them.
     *
     * @param  array<int, array<int, true>>  $edges
     */
    private function narrow(array $edges): void
    {
        $reached = null;
        if ($this->options->items !== null) {
            $reached = [];
            $wanted = array_fill_keys($this->options->items, true);
            $stack = array_keys(array_filter($this->points, fn (Point $point) => isset($wanted[$point->item->code])));
            while ($stack !== []) {
                $index = array_pop($stack);
                if (! isset($reached[$index])) {
                    $reached[$index] = true;
                    array_push($stack, ...array_keys($edges[$index] ?? []));
                }
            }
        }
        foreach ($this->points as $point) {
            $point->inScope = ($reached === null || isset($reached[$point->index]))
                && ($this->options->sites === null || in_array($point->site->code, $this->options->sites, true));
        }
    }

    private static function later(?int $a, ?int $b): ?int
    {
        return $a === null || $b === null ? $a ?? $b : max($a, $b);
    }

    private static function earlier(?int $a, ?int $b): ?int
    {
        return $a === null || $b === null ? $a ?? $b : min($a, $b);
    }
}
