<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A set of weekdays as digits from 1 (Monday) to 7. */
final readonly class Weekdays implements ColumnType
{
    use FormedColumn;

    /** @param  bool  $some  whether at least one is wanted */
    public function __construct(public bool $some = true)
    {
    }

    public function parse(string $text): mixed
    {
        $sound = preg_match('/^(?!.*(.).*\1)[1-7]{0,7}$/D', $text) === 1 && ($text !== '' || ! $this->some);

        return $sound ? $text : throw new InvalidField(Fault::of('no_weekdays', ['text' => mb_substr($text, 0, 30)]));
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return null;
    }

    public function mayBeEmpty(): bool
    {
        return ! $this->some;
    }

    public function describe(): string
    {
        return '`12345`, 1 = Monday';
    }
}
