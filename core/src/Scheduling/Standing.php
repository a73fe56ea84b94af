<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Run\Supply;

/** What stands in the shop and stays there, while more is placed into the gaps between. */
final readonly class Standing
{
    /**
     * @param  Machines  $machines  with what stands on them; left as they are
     * @param  array<int, array{Supply, int}>  $ends  supplies that are in it with the minute at which they are there, by object id
     * @param  array<int, array{Supply, int}>  $more  what is placed with its quantities, by object id, in the order of netting
     */
    public function __construct(private Machines $machines, private array $ends, public array $more)
    {
    }

    /** The machines as they stand, to place more on. */
    public function machines(): Machines
    {
        return clone $this->machines;
    }

    /** The minute at which a supply is there; null where it is not in the shop. */
    public function endOf(Supply $supply): ?int
    {
        return $this->ends[spl_object_id($supply)][1] ?? null;
    }
}
