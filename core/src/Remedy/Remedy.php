<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Study\Change;

/** One way out of a shortage, not yet tried. */
final readonly class Remedy
{
    /**
     * @param  non-empty-list<Change>  $changes
     * @param  array<string, int|string>  $facts  what its sentence tells: quantities in millionths, dates as day numbers
     */
    public function __construct(public RemedyKind $kind, public array $changes, public array $facts)
    {
    }
}
