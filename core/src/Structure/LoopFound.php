<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use RuntimeException;

/** A structure or a chain of transfers that contains itself; the message names the loop. */
final class LoopFound extends RuntimeException
{
    /**
     * @param  list<Point>  $path  the points of the loop, each once, in order
     */
    public static function of(array $path): self
    {
        $sites = array_unique(array_map(fn (Point $point) => $point->site->code, $path));
        $names = array_map(fn (Point $point) => count($sites) === 1 ? $point->item->code : $point->label(), $path);
        $first = 0;
        foreach ($names as $place => $name) {
            $first = strcmp($name, $names[$first] ?? $name) < 0 ? $place : $first;
        }

        return new self(implode(' > ', [...array_slice($names, $first), ...array_slice($names, 0, $first + 1)]));
    }
}
