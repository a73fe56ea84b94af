<?php

declare(strict_types=1);

namespace Yposta\Core\Reference;

/** What a reference names (section 9): supply, or demand. */
enum ReferenceKind: string
{
    case Stock = 'stock';
    case Order = 'order';
    case Proposal = 'proposal';
    case Sales = 'sales';
    case Forecast = 'forecast';
    case Job = 'job';
    case Part = 'part';
    case Out = 'out';
    case Safety = 'safety';

    public function isSupply(): bool
    {
        return match ($this) {
            self::Stock, self::Order, self::Proposal => true,
            self::Sales, self::Forecast, self::Job, self::Part, self::Out, self::Safety => false,
        };
    }

    /** What parts its name, where it has two parts. */
    public function separator(): ?string
    {
        return match ($this) {
            self::Stock, self::Safety => '@',
            self::Sales, self::Forecast, self::Job, self::Part => '/',
            self::Order, self::Proposal, self::Out => null,
        };
    }
}
