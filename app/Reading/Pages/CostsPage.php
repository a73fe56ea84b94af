<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\CostRow;
use App\Reading\Shapes\CostTrial;

/** What items cost in material, and what is left of their prices. */
final readonly class CostsPage extends Page
{
    /**
     * @param  array{q: string, show: ''|'all', sort: string, item: string, to: string}  $filter
     * @param  list<CostRow>  $rows
     * @param  string  $currency  of all of them; empty where nobody has said
     * @param  string|null  $refusal  why the cost that is tried cannot be
     */
    public function __construct(
        public array $filter,
        public array $rows,
        public int $total,
        public ?CostTrial $trial,
        public string $currency,
        public ?string $refusal,
    ) {
    }
}
