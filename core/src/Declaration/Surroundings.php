<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Reference\Reference;

/** What a row stands among: the bundle as far as it has been read, or a network. */
interface Surroundings
{
    /** @param  class-string  $class  whose rows have a key of one column */
    public function knows(string $class, string $code): bool;

    /** How many decimals the quantities of an item may have; the most where it is not known. */
    public function decimals(string $item): int;

    /** Whether there is what a reference names, as far as the rows tell; what only a run knows is not looked at. */
    public function holds(Reference $reference): bool;
}
