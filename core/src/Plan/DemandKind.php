<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

/** What needs material: forecast, transfers out, components, safety stock, sales; this is the order of references. */
enum DemandKind: string
{
    case Forecast = 'forecast';
    case Out = 'out';
    case Part = 'part';
    case Safety = 'safety';
    case Sales = 'sales';

    /** The first part of a rank; within transfers and components those of orders come before those of proposals. */
    public function rank(bool $ofProposal, int $within): int
    {
        return (match ($this) {
            self::Forecast => 0,
            self::Out => $ofProposal ? 2 : 1,
            self::Part => $ofProposal ? 4 : 3,
            self::Safety => 5,
            self::Sales => 6,
        } << 56) | $within;
    }
}
