<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Days off that are brought. */
final readonly class BroughtDays
{
    /**
     * @param  int  $new  that are worked so far, or are called otherwise
     * @param  int  $same  that are off already
     * @param  int  $partial  events of some hours, which are left out
     * @param  list<DataEdited>  $some  ISO date and name
     * @param  string|null  $change  as a draft takes it, as JSON; null where nothing differs
     */
    public function __construct(public int $new, public int $same, public int $partial, public array $some, public ?string $change)
    {
    }
}
