<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Options;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;

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

    /** @var array<string, non-empty-list<SupplierItem>> offers by item, best first */
    private array $offers = [];

    /** @var array<int, list<ComponentLine>> */
    private array $components = [];

    private readonly Calendar $everyDay;

    public function __construct(private readonly Network $network, private readonly Options $options)
    {
        $this->everyDay = Calendar::everyDay();
    }

    /** @throws LoopFound */
    public function build(): Structure
    {
        $this->collectLines();
        $this->collectOffers();
        $this->collectPoints();
        $edges = $this->edges();
        $this->assignLevels($edges);
        $this->narrow($edges);
        $netting = array_keys($this->points);
        usort($netting, fn (int $a, int $b) => $this->points[$a]->level <=> $this->points[$b]->level
            ?: strcmp($this->points[$a]->item->code, $this->points[$b]->item->code)
            ?: strcmp($this->points[$a]->site->code, $this->points[$b]->site->code));

        return new Structure($this->points, $this->indexes, $this->components, $netting);
    }

    private function collectLines(): void
    {
        foreach ($this->network->bom as $line) {
            $this->lines[$line->item][] = $line;
        }
        foreach ($this->lines as &$lines) {
            usort($lines, fn (BomLine $a, BomLine $b) => ReferenceOrder::lines($a->line, $b->line) ?: strcmp((string) $a->site, (string) $b->site));
        }
    }

    private function collectOffers(): void
    {
        foreach ($this->network->supplierItems as $offer) {
            $this->offers[$offer->item][] = $offer;
        }
        foreach ($this->offers as &$offers) {
            usort($offers, fn (SupplierItem $a, SupplierItem $b) => $a->rank <=> $b->rank ?: strcmp($a->supplier, $b->supplier));
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
        $supplier = $leadCalendar = $offer = null;
        if ($planning->supply === OrderKind::Buy) {
            $offers = $this->offers[$planning->item] ?? [];
            $supplier = $planning->supplier ?? ($offers[0]->supplier ?? null);
            foreach ($offers as $candidate) {
                if ($candidate->supplier === $supplier) {
                    $offer = $candidate;
                }
            }
            $suppliersCalendar = $supplier === null ? null : $this->network->suppliers[$supplier]->calendar;
            $leadCalendar = $suppliersCalendar === null ? null : $this->calendar($suppliersCalendar);
        }
        $this->points[] = new Point(
            $index,
            $this->network->items[$planning->item],
            $site,
            $planning,
            $calendar,
            $leadCalendar ?? $calendar,
            $offer->leadDays ?? $planning->leadDays ?? 0,
            $planning->leadDays ?? 0,
            $supplier,
            $offer->minQty ?? $planning->minQty ?? 0,
            $offer->multiple ?? $planning->multiple ?? 0,
            $planning->maxQty ?? 0,
            $this->options->safetyStock ? $planning->safetyStock : 0,
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
                $index,
                $line->component,
                $site,
                $above === null ? $line->line : "{$above->line}.{$line->line}",
                $above === null || $perOrder ? $own : $above->factor->times($own),
                $perOrder || ($above !== null && $above->perOrder),
                $component->step(),
                $line->offsetDays + ($above->offsetDays ?? 0),
                self::later($line->validFrom, $above?->validFrom),
                self::earlier($line->validTo, $above?->validTo),
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
     * Longest distances from the tops; what cannot be reached without passing a loop is in one or below it.
     *
     * @param  array<int, array<int, true>>  $edges
     */
    private function assignLevels(array $edges): void
    {
        $waiting = array_fill(0, count($this->points), 0);
        foreach ($edges as $targets) {
            foreach ($targets as $target => $_) {
                $waiting[$target]++;
            }
        }
        $ready = array_keys($waiting, 0, true);
        $done = 0;
        while ($ready !== []) {
            $next = [];
            foreach ($ready as $index) {
                $done++;
                $level = $this->points[$index]->level + 1;
                foreach ($edges[$index] ?? [] as $target => $_) {
                    if ($this->points[$target]->level < $level) {
                        $this->points[$target]->level = $level;
                    }
                    if (--$waiting[$target] === 0) {
                        $next[] = $target;
                    }
                }
            }
            $ready = $next;
        }
        if ($done < count($this->points)) {
            throw $this->loop($edges, $waiting);
        }
    }

    /**
     * Walks against the edges among the points that still wait until one comes up again: everything that waits is fed by another that waits.
     *
     * @param  array<int, array<int, true>>  $edges
     * @param  array<int, int>  $waiting
     */
    private function loop(array $edges, array $waiting): LoopFound
    {
        $feeder = [];
        foreach ($edges as $index => $targets) {
            foreach ($targets as $target => $_) {
                if ($waiting[$index] > 0 && $waiting[$target] > 0) {
                    $feeder[$target] ??= $index;
                }
            }
        }
        $path = [];
        $index = (int) array_key_first($feeder);
        while (! in_array($index, $path, true)) {
            $path[] = $index;
            $index = $feeder[$index];
        }
        $loop = array_reverse(array_slice($path, (int) array_search($index, $path, true)));

        return LoopFound::of(array_map(fn (int $index) => $this->points[$index], $loop));
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
