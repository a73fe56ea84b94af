<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\HeldPromise;
use App\Reading\Shapes\PromiseSubject;

/** Promises to customers: what is asked, and what is held. */
final readonly class PromisePage extends Page
{
    /**
     * @param  PromiseSubject|null  $subject  the sales line that it starts from
     * @param  list<HeldPromise>  $held  by the day on which they lapse
     * @param  string  $item  that it starts from where there is no sales line; may be empty
     */
    public function __construct(
        public ?PromiseSubject $subject,
        public array $held,
        public int $allHeld,
        public string $item,
        public string $site,
        public string $horizonEnd,
        public bool $planned,
        public bool $may,
    ) {
    }
}
