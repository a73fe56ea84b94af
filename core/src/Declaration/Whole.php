<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A whole number in a range. */
final readonly class Whole implements ColumnType
{
    use NumberColumn;

    /** The longest lead time or other number of days. */
    public const MOST_DAYS = 10_000;

    /** The most people or machines side by side. */
    public const MOST_UNITS = 100_000;

    /** The largest rank or operation number. */
    public const MOST = 999_999;

    public function __construct(public int $least = 0, public int $most = self::MOST)
    {
    }

    public function parse(string $text): mixed
    {
        return preg_match('/^-?\d{1,9}$/D', $text) === 1
            ? (int) $text
            : throw new InvalidField(Fault::of(
                'not_whole',
                ['text' => mb_substr($text, 0, 30), 'least' => $this->least, 'most' => $this->most],
            ));
    }

    public function write(mixed $value): string
    {
        return is_int($value) ? (string) $value : '';
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        return is_int($value) && ($value < $this->least || $value > $this->most)
            ? Fault::of('not_whole', ['text' => (string) $value, 'least' => $this->least, 'most' => $this->most])
            : null;
    }

    public function harmless(): mixed
    {
        return $this->least;
    }

    public function plain(mixed $value): int
    {
        return is_int($value) ? $value : 0;
    }

    public function fromPlain(mixed $plain): mixed
    {
        return is_int($plain) ? $plain : throw new InvalidField(Fault::of('wrong_type'));
    }

    public function describe(): string
    {
        return '';
    }
}
