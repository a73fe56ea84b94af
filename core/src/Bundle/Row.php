<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use BackedEnum;
use InvalidArgumentException;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;

/**
 * One row of a bundle's file. Every reader notes an error and returns a harmless value when the field is wrong;
 * {@see sound()} tells at the end whether the row can be used.
 */
final class Row
{
    /** The longest code or name, in characters. */
    private const LONGEST = 190;

    private int $line = 0;

    /** @var array<string, string> */
    private array $values = [];

    private bool $sound = true;

    public function __construct(private readonly string $file, private readonly Findings $findings)
    {
    }

    /** @param  array<string, string>  $values */
    public function fill(int $line, array $values): void
    {
        $this->line = $line;
        $this->values = $values;
        $this->sound = true;
    }

    public function sound(): bool
    {
        return $this->sound;
    }

    public function line(): int
    {
        return $this->line;
    }

    public function wrong(?string $column, string $problem, string $remedy = ''): void
    {
        $this->sound = false;
        $this->findings->error($this->file, $this->line, $column, $problem, $remedy);
    }

    public function warn(?string $column, string $problem, string $remedy = ''): void
    {
        $this->findings->warn($this->file, $this->line, $column, $problem, $remedy);
    }

    public function isEmpty(string $column): bool
    {
        return ($this->values[$column] ?? '') === '';
    }

    public function text(string $column, string $default = ''): string
    {
        $value = $this->values[$column] ?? '';
        if ($value === '') {
            return $default;
        }
        if (preg_match('/[\x00-\x1f\x7f]/', $value) === 1) {
            $this->wrong($column, 'the text has a control character', 'leave it out');
        } elseif (mb_strlen($value) > self::LONGEST) {
            $this->wrong($column, 'the text has '.mb_strlen($value).' characters', 'at most '.self::LONGEST);
        }

        return $value;
    }

    /** A code that must be there. */
    public function code(string $column): string
    {
        $value = $this->text($column);
        if ($value === '') {
            $this->wrong($column, 'is empty', 'it needs a value');
        }

        return $value;
    }

    /**
     * A code that must be one of those known.
     *
     * @param  array<string, mixed>  $known
     */
    public function reference(string $column, array $known, string $what): string
    {
        $value = $this->code($column);
        if ($value !== '' && ! isset($known[$value])) {
            $this->wrong($column, "there is no {$what} '{$value}'", "name a {$what} of the bundle");
        }

        return $value;
    }

    /** @param  array<string, mixed>  $known */
    public function optionalReference(string $column, array $known, string $what): ?string
    {
        return $this->isEmpty($column) ? null : $this->reference($column, $known, $what);
    }

    /**
     * A quantity that is not negative.
     *
     * @param  int  $decimals  how many decimals it may have
     * @param  int|null  $default  millionths; null when the field must be filled
     * @return int millionths
     */
    public function quantity(string $column, int $decimals, ?int $default = null): int
    {
        return $this->optionalQuantity($column, $decimals) ?? $default ?? $this->empty($column);
    }

    /** @return int|null millionths, null when the field is empty */
    public function optionalQuantity(string $column, int $decimals): ?int
    {
        if ($this->isEmpty($column)) {
            return null;
        }
        try {
            $quantity = Quantity::parse($this->values[$column]);
        } catch (InvalidQuantity $trouble) {
            $this->wrong($column, $trouble->getMessage(), 'write a number like 12.5');

            return 0;
        }
        if ($quantity < 0) {
            $this->wrong($column, "'{$this->values[$column]}' is negative", 'it must be 0 or more');
        } elseif (! Quantity::fits($quantity, $decimals)) {
            $this->wrong($column, "'{$this->values[$column]}' has more decimals than the item, which has {$decimals}", 'round it or give the item more decimals');
        }

        return $quantity;
    }

    /** A whole number in a range. */
    public function whole(string $column, int $least, int $most, ?int $default = null): int
    {
        return $this->optionalWhole($column, $least, $most) ?? $default ?? $this->empty($column);
    }

    public function optionalWhole(string $column, int $least, int $most): ?int
    {
        if ($this->isEmpty($column)) {
            return null;
        }
        $value = $this->values[$column];
        if (preg_match('/^-?\d{1,9}$/D', $value) !== 1 || (int) $value < $least || (int) $value > $most) {
            $this->wrong($column, "'".substr($value, 0, 30)."' is not a whole number from {$least} to {$most}");

            return $least;
        }

        return (int) $value;
    }

    /** @return int day number */
    public function day(string $column): int
    {
        return $this->optionalDay($column) ?? $this->empty($column);
    }

    public function optionalDay(string $column): ?int
    {
        if ($this->isEmpty($column)) {
            return null;
        }
        try {
            return Day::parse($this->values[$column]);
        } catch (InvalidArgumentException $trouble) {
            $this->wrong($column, $trouble->getMessage(), 'write a date like 2026-03-02');

            return 0;
        }
    }

    public function flag(string $column): bool
    {
        $value = $this->values[$column] ?? '';
        if (! in_array($value, ['', '0', '1'], true)) {
            $this->wrong($column, "'".substr($value, 0, 30)."' is neither 0 nor 1");
        }

        return $value === '1';
    }

    /**
     * One of an enum's values.
     *
     * @template T of BackedEnum
     *
     * @param  T  $default  also what stands in for a wrong value
     * @return T
     */
    public function choice(string $column, BackedEnum $default, bool $mayBeEmpty = true): BackedEnum
    {
        $value = $this->values[$column] ?? '';
        $choice = $value === '' && $mayBeEmpty ? $default : $default::tryFrom($value);
        if ($choice === null) {
            $this->wrong($column, $value === '' ? 'is empty' : "'".substr($value, 0, 30)."' is not known", 'one of '.implode(', ', array_column($default::cases(), 'value')));
        }

        return $choice ?? $default;
    }

    private function empty(string $column): int
    {
        $this->wrong($column, 'is empty', 'it needs a value');

        return 0;
    }
}
