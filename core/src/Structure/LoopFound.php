<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use RuntimeException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Spoken;

/** A structure or a chain of transfers that contains itself, named by the phrase. */
final class LoopFound extends RuntimeException implements Spoken
{
    use CarriesPhrase;

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

        return new self(new Phrase(
            'structure.loop',
            ['path' => implode(' > ', [...array_slice($names, $first), ...array_slice($names, 0, $first + 1)])],
        ));
    }
}
