<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

/** One day after the other. */
final readonly class OneByOne implements DaySearch
{
    public function first(array $days, callable $holds): ?int
    {
        foreach ($days as $day) {
            if ($holds($day)) {
                return $day;
            }
        }

        return null;
    }

    public function both(callable $aside, callable $own): array
    {
        return [$aside(), $own()];
    }
}
