<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\ProposalGroup;
use App\Reading\Shapes\SavedView;

/** What the plan proposes to order. `until` is the last day of the window, an ISO date; null without an end. */
final readonly class ProposalsPage extends Page
{
    /**
     * @param  list<ProposalGroup>  $groups
     * @param  array{by: 'supplier'|'item'|'date', until: 'today'|'week'|'fortnight'|'all', q: string, open: string, sort: string,
     *    rest: ''|'1'}  $filter  `rest` for what is put off
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public ?int $run,
        public array $groups,
        public int $total,
        public int $shown,
        public int $passed,
        public int $today,
        public int $resting,
        public ?string $until,
        public array $filter,
        public array $views,
    ) {
    }
}
