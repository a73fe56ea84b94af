<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Closure;

/** A change of sequences that may help. */
final readonly class Attempt
{
    /**
     * @param  Closure(Sequences): bool  $make  whether it could be made; the same each time
     * @param  Move|null  $move  where it moves one operation; null where it moves a job
     * @param  int  $estimate  minutes by which what should be sooner is later by it
     */
    private function __construct(private Closure $make, public ?Move $move, public int $estimate)
    {
    }

    public static function ofOne(Move $move, int $estimate = 0): self
    {
        return new self(fn (Sequences $sequences) => $sequences->move($move->task, $move->choice, $move->behind), $move, $estimate);
    }

    /** @param  Closure(JobMoves): bool  $make */
    public static function ofJob(Closure $make): self
    {
        return new self(fn (Sequences $sequences) => $make(new JobMoves($sequences)), null, 0);
    }

    public function make(Sequences $sequences): bool
    {
        return ($this->make)($sequences);
    }
}
