<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\ComparedFigure;
use App\Reading\Shapes\ComparedLate;
use App\Reading\Shapes\ComparedLoad;
use App\Reading\Shapes\ComparedMessage;
use App\Reading\Shapes\ComparedProposal;
use App\Reading\Shapes\ComparedStock;
use App\Reading\Shapes\PlanChoice;

/** Two plans side by side; `differences` counts all, the lists hold `most`. */
final readonly class ComparePage extends Page
{
    /**
     * @param  array{a: string, b: string, list: 'late'|'proposals'|'messages'|'stock'|'load'}  $filter
     * @param  list<PlanChoice>  $choices
     * @param  list<ComparedFigure>  $figures
     * @param  array{late: int, proposals: int, messages: int, stock: int, load: int}|null  $differences
     * @param  list<ComparedLate>  $late
     * @param  list<ComparedProposal>  $proposals
     * @param  list<ComparedMessage>  $messages
     * @param  list<ComparedStock>  $stock
     * @param  list<ComparedLoad>  $loads
     */
    public function __construct(
        public array $filter,
        public array $choices,
        public ?int $running,
        public ?string $failure,
        public array $figures,
        public ?array $differences,
        public array $late,
        public array $proposals,
        public array $messages,
        public array $stock,
        public array $loads,
        public int $most,
    ) {
    }
}
