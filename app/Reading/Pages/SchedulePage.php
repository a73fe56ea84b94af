<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\CodeAndName;
use App\Reading\Shapes\ScheduleAsked;
use App\Reading\Shapes\ScheduleState;

/** Schedules the shop, and shows what came of the last time. */
final readonly class SchedulePage extends Page
{
    /**
     * @param  ScheduleAsked  $asked  what the form begins with
     * @param  list<CodeAndName>  $centres
     * @param  ScheduleState|null  $state  of the last that was asked for
     * @param  bool  $standing  whether any order has a place in the shop
     */
    public function __construct(
        public bool $planned,
        public ScheduleAsked $asked,
        public array $centres,
        public ?ScheduleState $state,
        public bool $standing,
    ) {
    }
}
