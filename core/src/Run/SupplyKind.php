<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

use Yposta\Core\Reference\ReferenceKind;

/** What covers a demand, in the order of references. */
enum SupplyKind: string
{
    case Stock = 'stock';
    case Order = 'order';
    case Proposal = 'proposal';

    public function referenceKind(): ReferenceKind
    {
        return ReferenceKind::from($this->value);
    }

    /** The first part of a rank: supplies of an earlier kind come before those of a later one. */
    public function rank(int $within): int
    {
        return match ($this) {
            self::Stock => 0,
            self::Order => 1 << 56,
            self::Proposal => 2 << 56,
        } | $within;
    }
}
