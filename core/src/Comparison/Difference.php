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

    public function kind(): DifferenceKind
    {
        return match (true) {
            $this->before === null => DifferenceKind::Added,
            $this->after === null => DifferenceKind::Gone,
            default => DifferenceKind::Changed,
        };
    }
}
