<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/** Finds what a reference names in a network. Proposals and what belongs to them are only known to a plan. */
final class ReferenceLookup
{
    /** @var array<string, SalesLine>|null by reference */
    private ?array $sales = null;

    /** @var array<string, OrderComponent>|null by reference */
    private ?array $components = null;

    /** @var array<string, true>|null codes of the orders that have component rows */
    private ?array $withRows = null;

    /** @var array<string, JobLine>|null */
    private ?array $jobs = null;

    /** @var array<string, true>|null names of forecasts */
    private ?array $forecasts = null;

    public function __construct(private readonly Network $network)
    {
    }

    /**
     * Whether there is what it names; lines of the structure and days of a forecast that is spread are only known to a run and not looked
     * at.
     */
    public function exists(Reference $reference): bool
    {
        return match ($reference->kind) {
            ReferenceKind::Sales => $this->salesLine($reference) !== null,
            ReferenceKind::Job => $this->jobLine($reference) !== null,
            ReferenceKind::Order, ReferenceKind::Out => $this->order($reference) !== null,
            ReferenceKind::Part => $this->partsOrder($reference) !== null,
            ReferenceKind::Forecast => $this->forecast($reference) !== null,
            ReferenceKind::Stock, ReferenceKind::Safety => $this->point($reference) !== null,
            ReferenceKind::Proposal => false,
        };
    }

    public function salesLine(Reference $reference): ?SalesLine
    {
        if ($this->sales === null) {
            $this->sales = [];
            foreach ($this->network->sales as $line) {
                $this->sales[(string) $line->reference()] ??= $line;
            }
        }

        return $this->sales[(string) $reference] ?? null;
    }

    public function jobLine(Reference $reference): ?JobLine
    {
        if ($this->jobs === null) {
            $this->jobs = [];
            foreach ($this->network->jobLines as $line) {
                $this->jobs[(string) $line->reference()] ??= $line;
            }
        }

        return $this->jobs[(string) $reference] ?? null;
    }

    /** The open order that it is, or whose component or transfer it is. */
    public function order(Reference $reference): ?OpenOrder
    {
        return match ($reference->kind) {
            ReferenceKind::Order, ReferenceKind::Out => $this->network->orders[$reference->name] ?? null,
            ReferenceKind::Part => $this->partsOrder($reference),
            default => null,
        };
    }

    /** The component row that it names; null where the structure tells, too. */
    public function component(Reference $reference): ?OrderComponent
    {
        return $this->components()[(string) $reference] ?? null;
    }

    /** Whether an order has component rows of its own. */
    public function hasRows(string $order): bool
    {
        $this->components();

        return isset($this->withRows[$order]);
    }

    /** The name of the forecast. */
    public function forecast(Reference $reference): ?string
    {
        $this->forecasts ??= array_fill_keys(array_map(fn (ForecastBucket $bucket) => $bucket->forecast, $this->network->forecasts), true);
        foreach ($reference->kind === ReferenceKind::Forecast ? $reference->parts() : [] as [$name]) {
            if (isset($this->forecasts[$name])) {
                return $name;
            }
        }

        return null;
    }

    /**
     * The item and site of stock or safety stock.
     *
     * @return array{string, string}|null
     */
    public function point(Reference $reference): ?array
    {
        foreach ($reference->kind->separator() === '@' ? $reference->parts() : [] as [$item, $site]) {
            if (isset($this->network->items[$item], $this->network->sites[$site])) {
                return [$item, $site];
            }
        }

        return null;
    }

    /** The order whose component it is: the one that has such a line, else one that leaves its lines to the structure. */
    private function partsOrder(Reference $reference): ?OpenOrder
    {
        if ($reference->ofProposal() !== null) {
            return null;
        }
        $row = $this->component($reference);
        if ($row !== null) {
            return $this->network->orders[$row->order] ?? null;
        }
        foreach ($reference->parts() as [$order]) {
            if (isset($this->network->orders[$order])) {
                return $this->network->orders[$order];
            }
        }

        return null;
    }

    /** @return array<string, OrderComponent> */
    private function components(): array
    {
        if ($this->components === null) {
            $this->components = $this->withRows = [];
            foreach ($this->network->components as $row) {
                $this->components[(string) $row->reference()] ??= $row;
                $this->withRows[$row->order] = true;
            }
        }

        return $this->components;
    }
}
