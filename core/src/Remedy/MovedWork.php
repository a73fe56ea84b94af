<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Study\Change;
use Yposta\Core\Support\Phrase;

/** Orders are done at another time, so that a work centre has less to do in a period. */
abstract readonly class MovedWork extends Remedy
{
    /** Orders that are looked at, those that take most. */
    protected const MOST_ORDERS = 10;

    /**
     * @param  non-empty-list<Change>  $changes
     * @param  int  $minutes  that are not done in the period any more
     */
    final protected function __construct(array $changes, public int $minutes)
    {
        parent::__construct($changes);
    }

    /**
     * As many of them as take out what is too much, or as there is room for.
     *
     * @param  list<static>  $each
     * @param  float  $room  minutes at the other time
     * @param  float  $over  minutes that are too much
     */
    public static function together(array $each, float $room, float $over): ?static
    {
        $changes = [];
        $minutes = 0;
        foreach ($each as $one) {
            if ($one->minutes <= $room - $minutes && $minutes < $over) {
                $changes = [...$changes, ...$one->changes];
                $minutes += $one->minutes;
            }
        }

        return $changes === [] ? null : new static($changes, $minutes);
    }

    protected function values(): array
    {
        return ['orders' => new Phrase('orders', ['count' => count($this->changes)]), 'hours' => sprintf('%.1f', $this->minutes / 60)];
    }
}
