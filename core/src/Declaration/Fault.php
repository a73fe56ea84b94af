<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\Phrase;

/** What is wrong with a row, in which column, and what would be right. */
final readonly class Fault
{
    /**
     * @param  Phrase|null  $remedy  what would be right, where the problem does not tell it
     * @param  string|null  $property  of the row; null where it is about all of it
     * @param  bool  $mild  whether one can go on with it
     */
    public function __construct(
        public Phrase $problem,
        public ?Phrase $remedy = null,
        public ?string $property = null,
        public bool $mild = false,
    ) {
    }

    /**
     * A fault whose problem and remedy stand under one code.
     *
     * @param  array<string, int|string|Amount|Date|Phrase|null>  $values
     */
    public static function of(string $code, array $values = [], ?string $property = null): self
    {
        return new self(new Phrase("row.{$code}.problem", $values), new Phrase("row.{$code}.remedy", $values), $property);
    }

    /** @param  array<string, int|string|Amount|Date|Phrase|null>  $values */
    public static function mild(string $code, array $values = [], ?string $property = null): self
    {
        return new self(new Phrase("row.{$code}.problem", $values), new Phrase("row.{$code}.remedy", $values), $property, true);
    }

    /**
     * That something with an optional first and last day ends before it begins.
     *
     * @param  int|null  $begins  day number
     * @param  int|null  $ends  day number of its last day
     * @param  string  $code  what it is called
     * @return list<self> one at most, of the column `ends`
     */
    public static function ofSpan(?int $begins, ?int $ends, string $code): array
    {
        return $begins !== null && $ends !== null && $ends < $begins ? [self::of('ends_early', ['code' => $code], 'ends')] : [];
    }

    public static function remedyOf(string $code): Phrase
    {
        return new Phrase("row.{$code}.remedy");
    }

    /**
     * What a row of a class is called in a sentence.
     *
     * @param  class-string  $class
     */
    public static function what(string $class): Phrase
    {
        return new Phrase('what.'.Declaration::snake(substr($class, (int) strrpos($class, '\\') + 1)));
    }

    public function in(string $property): self
    {
        return new self($this->problem, $this->remedy, $property, $this->mild);
    }
}
