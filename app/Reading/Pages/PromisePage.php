<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\PromiseSubject;
use App\Reading\Shapes\Subject;

/** Promises to customers: what is asked, and what is held. */
final readonly class PromisePage extends Page
{
    /**
     * @param  PromiseSubject|null  $subject  the sales line that it starts from
     * @param  list<PromiseSubject>  $held  by the day on which they lapse
     * @param  Subject|null  $item  that it starts from where there is no sales line
     */
    public function __construct(
        public ?PromiseSubject $subject,
        public array $held,
        public int $allHeld,
        public ?Subject $item,
        public bool $planned,
        public bool $may,
    ) {
    }
}
