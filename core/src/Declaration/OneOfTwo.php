<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** One of two words, held as whether it is the second. */
final readonly class OneOfTwo implements ColumnType
{
    use BooleanColumn;

    public function __construct(public string $first, public string $second)
    {
    }

    public function parse(string $text): mixed
    {
        return match ($text) {
            $this->second => true,
            $this->first => false,
            default => throw new InvalidField(Fault::of(
                'no_choice',
                ['text' => mb_substr($text, 0, 30), 'choices' => "{$this->first}, {$this->second}"],
            )),
        };
    }

    public function write(mixed $value): string
    {
        return $value === true ? $this->second : $this->first;
    }

    public function describe(): string
    {
        return "`{$this->first}`/`{$this->second}`";
    }
}
