<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

/** The points as one indented list: each once, below a point of the level above that needs it, tops by code. */
final class Outline
{
    /** @var array<int, list<int>> points below each point */
    private array $children = [];

    /** @var array<int, int> */
    private array $places = [];

    public function __construct(private readonly Structure $structure)
    {
        foreach ($structure->components as $index => $lines) {
            foreach ($lines as $line) {
                $this->children[$index][] = $line->point;
            }
        }
        foreach ($structure->points as $point) {
            $point->source === null || $this->children[$point->index][] = $point->source;
        }
    }

    /** @return array<int, int> place of each point in the list, from 0 */
    public function places(): array
    {
        foreach ($this->structure->netting as $index) {
            if ($this->structure->points[$index]->level === 0) {
                $this->visit($index);
            }
        }
        foreach ($this->structure->netting as $index) {
            $this->places[$index] ??= count($this->places);
        }

        return $this->places;
    }

    private function visit(int $index): void
    {
        $this->places[$index] = count($this->places);
        $below = $this->structure->points[$index]->level + 1;
        foreach ($this->children[$index] ?? [] as $child) {
            if (! isset($this->places[$child]) && $this->structure->points[$child]->level === $below) {
                $this->visit($child);
            }
        }
    }
}
