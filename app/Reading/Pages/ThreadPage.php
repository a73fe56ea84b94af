<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\PegWay;
use App\Reading\Shapes\ThreadBeginning;
use App\Reading\Shapes\ThreadOther;
use App\Reading\Shapes\ThreadRow;
use App\Reading\Shapes\ThreadStep;

/** The way of a demand on a time axis; ISO dates. */
final readonly class ThreadPage extends Page
{
    /**
     * @param  list<PegWay>  $ways
     * @param  list<ThreadRow>  $rows
     * @param  array{of: string, way: value-of<PegWay>, rows: string}  $filter
     * @param  list<string>  $closed
     * @param  list<ThreadStep>  $steps
     * @param  list<ThreadOther>  $others
     */
    public function __construct(
        public string $title,
        public string $about,
        public string $back,
        public array $ways,
        public array $rows,
        public int $most,
        public array $filter,
        public int $lateDays,
        public string $planDate,
        public ?string $due,
        public ?string $expected,
        public array $closed,
        public ?string $holdUp,
        public array $steps,
        public ?ThreadBeginning $beginning,
        public array $others,
    ) {
    }
}
