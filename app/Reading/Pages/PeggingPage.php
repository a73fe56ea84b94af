<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\PegRow;
use App\Reading\Shapes\PegWay;

/** What serves a need, or whom an order serves, as a list. */
final readonly class PeggingPage extends Page
{
    /**
     * @param  list<PegWay>  $ways
     * @param  list<PegRow>  $rows
     * @param  array{of: string, way: value-of<PegWay>, rows: string}  $filter
     */
    public function __construct(
        public string $title,
        public string $about,
        public ?string $holdUp,
        public int $lateDays,
        public string $back,
        public array $ways,
        public array $rows,
        public int $most,
        public array $filter,
    ) {
    }
}
