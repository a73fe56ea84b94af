<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** The balances that a draft changes, by point and first day of the period, as decimals. */
final readonly class DraftedBalances
{
    /**
     * @param  array<string, array<string, string>>  $balances
     */
    public function __construct(
        public array $balances,
    ) {
    }
}
