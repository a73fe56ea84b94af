<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Surroundings;
use Yposta\Core\Reference\Reference;

/** A network as what a row stands among. */
final readonly class NetworkSurroundings implements Surroundings
{
    public function __construct(private Network $network)
    {
    }

    public function knows(string $class, string $code): bool
    {
        $rows = match ($class) {
            CalendarWeek::class => $this->network->calendars,
            Site::class => $this->network->sites,
            Item::class => $this->network->items,
            Supplier::class => $this->network->suppliers,
            OpenOrder::class => $this->network->orders,
            WorkCentre::class => $this->network->workCentres,
            JobHeading::class => $this->network->jobs,
            default => [],
        };

        return isset($rows[$code]);
    }

    public function decimals(string $item): int
    {
        return $this->network->items[$item]->decimals ?? Decimal::FINEST;
    }

    public function holds(Reference $reference): bool
    {
        return (new ReferenceLookup($this->network))->exists($reference);
    }
}
