<?php

declare(strict_types=1);

namespace App\Reading;

/** Under what headings the proposals stand. */
enum ProposalGrouping: string
{
    case Supplier = 'supplier';
    case Item = 'item';
    case Date = 'date';

    /** What proposals under one heading have in common, of `plan_supplies as s`. */
    public function column(): string
    {
        return match ($this) {
            self::Supplier => 's.heading',
            self::Item => 's.point',
            self::Date => 's.start',
        };
    }
}
