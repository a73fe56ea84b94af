<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** What was just changed and may not be changed back for a while, so that a search does not go round in circles. */
final class Memory
{
    /** Steps for which a change is remembered: at least, and by chance as many more. */
    private const STEPS = 14;

    private const MORE = 8;

    /** @var array<string, int> the step until which something may not be made again */
    private array $until = [];

    public function __construct(private readonly Chance $chance)
    {
    }

    public function forget(): void
    {
        $this->until = [];
    }

    /** @param  list<int>  $on  units on which the operation stood */
    public function keep(Move $move, array $on, int $step): void
    {
        $until = $step + self::STEPS + $this->chance->below(self::MORE);
        foreach ($move->ahead as [$one, $other]) {
            $this->until["{$other} {$one}"] = $until;
        }
        if ($move->ahead === []) {
            $this->until["{$move->task} on ".implode(' ', $on)] = $until;
        }
    }

    public function has(Move $move, int $step): bool
    {
        foreach ($move->ahead as [$one, $other]) {
            if (($this->until["{$one} {$other}"] ?? 0) >= $step) {
                return true;
            }
        }

        return $move->ahead === [] && ($this->until["{$move->task} on ".implode(' ', array_keys($move->behind))] ?? 0) >= $step;
    }
}
