<?php

declare(strict_types=1);

namespace Yposta\Core\Support;

/**
 * Something to be said to a person: a code, and what goes into its sentence. The words stand in the language files, under the code; the
 * core knows none.
 */
final readonly class Phrase
{
    /** @param  array<string, int|string|Value|self|list<self>|null>  $values  by name of the placeholder; a list is said with commas */
    public function __construct(public string $code, public array $values = [])
    {
    }

    /**
     * The same with more values.
     *
     * @param  array<string, int|string|Value|self|list<self>|null>  $values
     */
    public function with(array $values): self
    {
        return new self($this->code, [...$this->values, ...$values]);
    }

    /** Whether a day is said in it, so that one has to know today. */
    public function saysADay(): bool
    {
        foreach ($this->values as $value) {
            foreach (is_array($value) ? $value : [$value] as $one) {
                if (($one instanceof Value && $one->isDay()) || ($one instanceof self && $one->saysADay())) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The code and its values, for a log; people get the sentence. */
    public function __toString(): string
    {
        $values = [];
        foreach ($this->values as $name => $value) {
            $values[] = "{$name}=".match (true) {
                is_array($value) => implode(', ', array_map(strval(...), $value)),
                default => (string) $value,
            };
        }

        return $this->code.($values === [] ? '' : ' ('.implode(', ', $values).')');
    }
}
