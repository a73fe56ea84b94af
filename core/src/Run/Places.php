<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/**
 * Places of names in their order, as numbers with room between them: a name that comes later gets a place between its neighbours,
 * and the others keep theirs.
 */
final class Places
{
    private const GAP = 1 << 14;

    /** @var array<string, int> place by name, ascending */
    private array $places = [];

    /** @param  list<string>  $names  in their order */
    public function __construct(array $names)
    {
        foreach ($names as $number => $name) {
            $this->places[self::key($name)] = ($number + 1) * self::GAP;
        }
    }

    public function of(string $name): int
    {
        return $this->places[self::key($name)];
    }

    /**
     * Finds room for a name that is new.
     *
     * @param  callable(string, string): int  $compare  as for sorting
     * @return bool false when there is no room left between its neighbours
     */
    public function admit(string $name, callable $compare): bool
    {
        if (isset($this->places[self::key($name)])) {
            return true;
        }
        $before = 0;
        $after = null;
        $position = 0;
        foreach ($this->places as $key => $place) {
            if ($compare(substr($key, 1), $name) > 0) {
                $after = $place;
                break;
            }
            $before = $place;
            $position++;
        }
        $place = $after === null ? $before + self::GAP : intdiv($before + $after, 2);
        if ($place === $before) {
            return false;
        }
        $this->places = [...array_slice($this->places, 0, $position), self::key($name) => $place, ...array_slice($this->places, $position)];

        return true;
    }

    /** Keys that PHP leaves as texts, also where a name is a number. */
    private static function key(string $name): string
    {
        return "\x1f{$name}";
    }
}
