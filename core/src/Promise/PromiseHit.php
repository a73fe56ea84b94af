<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Network\SalesLine;

/** A sales line that is served later for a promise, or less of it. Days as day numbers, quantities in millionths. */
final readonly class PromiseHit
{
    /**
     * @param  int|null  $before  when it is served without the promise; null where nothing serves it
     * @param  int|null  $after  and with it
     * @param  int  $missing  what nothing covers for the promise, beyond what nothing covered before
     */
    public function __construct(public SalesLine $line, public ?int $before, public ?int $after, public int $missing)
    {
    }

    /** Calendar days by which it is later. */
    public function days(): int
    {
        return max(0, ($this->after ?? 0) - ($this->before ?? $this->after ?? 0));
    }
}
