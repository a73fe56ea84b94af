<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

/** The units of a centre that are on: those numbered from 1 up to a top, without some. */
final readonly class Units
{
    public int $count;

    /** @param  array<int, true>  $without  numbers below the top that are off */
    public function __construct(public int $top, public array $without = [])
    {
        $this->count = $top - count($without);
    }

    public function has(int $unit): bool
    {
        return $unit >= 1 && $unit <= $this->top && ! isset($this->without[$unit]);
    }

    /** @param  list<int>  $units */
    public function haveAll(array $units): bool
    {
        foreach ($units as $unit) {
            if (! $this->has($unit)) {
                return false;
            }
        }

        return true;
    }

    /** Without one of them. */
    public function withoutUnit(int $unit): self
    {
        return match (true) {
            ! $this->has($unit) => $this,
            $unit === $this->top => $this->lower(),
            default => new self($this->top, $this->without + [$unit => true]),
        };
    }

    /** Without so many of those that are on, the highest numbers first. */
    public function withoutHighest(int $number): self
    {
        if ($this->without === []) {
            return new self(max(0, $this->top - $number));
        }
        for ($left = $this; $number > 0 && $left->count > 0; $number--) {
            $left = $left->lower();
        }

        return $left;
    }

    /** @return list<int> their numbers, ascending */
    public function numbers(): array
    {
        return $this->top === 0 ? [] : array_values(array_diff(range(1, $this->top), array_keys($this->without)));
    }

    /** Without the highest. */
    private function lower(): self
    {
        $without = $this->without;
        for ($top = $this->top - 1; isset($without[$top]); $top--) {
            unset($without[$top]);
        }

        return new self($top, $without);
    }
}
