<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

/**
 * One thing in two plans: only in the first (gone), only in the second (added), or in both and changed.
 *
 * @template T of object
 */
final readonly class Difference
{
    /**
     * @param  T|null  $before
     * @param  T|null  $after
     */
    public function __construct(public ?object $before, public ?object $after)
    {
    }

    /** @return 'added'|'gone'|'changed' */
    public function kind(): string
    {
        return $this->before === null ? 'added' : ($this->after === null ? 'gone' : 'changed');
    }
}
