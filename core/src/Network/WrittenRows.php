<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\Declaration;

/** The rows that differ between two networks, whatever made them differ: what a change really writes. */
final readonly class WrittenRows
{
    /** @param  array<class-string, array<string, array{object|null, object|null}>>  $pairs  before and after, by class and key */
    private function __construct(private array $pairs)
    {
    }

    public static function between(Network $before, Network $after): self
    {
        $pairs = [];
        foreach (Network::classes() as $class) {
            if ($before->isSame($after, $class)) {
                continue;
            }
            $declaration = Declaration::of($class);
            $different = RowDifference::of(
                $before->rows($class), $after->rows($class), fn (object $row): string => implode("\x1f", $declaration->identity($row)),
            );
            $different === [] || $pairs[$class] = $different;
        }

        return new self($pairs);
    }

    /** Whether none of the rows differs in the others too. */
    public function isApartFrom(self $others): bool
    {
        foreach ($this->pairs as $class => $pairs) {
            if (array_intersect_key($pairs, $others->pairs[$class] ?? []) !== []) {
                return false;
            }
        }

        return true;
    }

    /** @return array<class-string, list<array{object|null, object|null}>> by class, those that others refer to first */
    public function byClass(): array
    {
        return array_map(array_values(...), $this->pairs);
    }

    /** @return iterable<array{object|null, object|null}> each row as it was and as it is, null where it was not or is not */
    public function all(): iterable
    {
        foreach ($this->pairs as $pairs) {
            yield from array_values($pairs);
        }
    }
}
