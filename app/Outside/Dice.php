<?php

declare(strict_types=1);

namespace App\Outside;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Dice that falls the same way for the same seed. */
final readonly class Dice
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function between(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }

    /** Whether what happens in so many of a hundred cases happens. */
    public function percent(int $percent): bool
    {
        return $this->between(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $some
     * @return T
     */
    public function oneOf(array $some): mixed
    {
        return $some[$this->between(0, count($some) - 1)];
    }
}
