<?php

declare(strict_types=1);

namespace App\Support;

/** Measures the stages of a plan: hand it over as what is told when a stage begins, and stop it at the end. */
final class Stopwatch
{
    /** @var array<string, int> nanoseconds by stage, when it began */
    private array $began = [];

    private int $end = 0;

    public function __invoke(string $stage): void
    {
        $this->began[$stage] = (int) hrtime(true);
    }

    public function stop(): void
    {
        $this->end = (int) hrtime(true);
    }

    /** Seconds from the beginning of one stage to that of another, or to the end. */
    public function seconds(string $from, ?string $to = null): float
    {
        return (($to === null ? $this->end : $this->began[$to]) - $this->began[$from]) / 1e9;
    }
}
