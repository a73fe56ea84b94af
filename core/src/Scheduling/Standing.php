<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Minute;
use Yposta\Core\Run\Supply;

/** What stands in the shop and stays there, while more is placed into the gaps between. */
final readonly class Standing
{
    /**
     * @param  Machines  $machines  with what stands on them; left as they are
     * @param  array<int, array{Supply, int}>  $ends  supplies that are in it with the minute at which they are there, by object id
     * @param  array<int, int>  $more  quantities of the supplies that are placed, by object id
     */
    public function __construct(private Machines $machines, public array $ends, public array $more)
    {
    }

    /** The machines as they stand, to place more on. */
    public function machines(): Machines
    {
        return clone $this->machines;
    }

    public function tell(ShopDates $dates): void
    {
        foreach ($this->ends as [$supply, $end]) {
            $dates->arrive($supply, Minute::day($end - 1));
        }
    }

    /** The minute at which a supply is there; null where it is not in the shop. */
    public function endOf(Supply $supply): ?int
    {
        return $this->ends[spl_object_id($supply)][1] ?? null;
    }
}
