<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Study\Change;

/** Something that was written into the data, as it is told and as it is done again. */
final readonly class DataStep
{
    /**
     * @param  string  $at  ISO date and time
     * @param  list<Change>  $changes
     */
    public function __construct(public string $text, public string $by, public string $at, public array $changes)
    {
    }
}
