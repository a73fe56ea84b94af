<?php

declare(strict_types=1);

namespace App\Intake;

use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Whole;

/** What a cell of a spreadsheet says, as files here say it: numbers with a point, days as ISO dates, choices by their value. */
final class CellText
{
    /** What may part thousands besides a point or comma: spaces of several widths, apostrophes. */
    private const SPACES = '/[\s\x{00A0}\x{202F}\x{2009}\'’]/u';

    /** The first number that may be read in two ways; null where there was none. */
    public ?string $ambiguous = null;

    /**
     * @param  string|null  $decimal  `point` or `comma`; null where the cells tell
     * @param  array<string, string>  $words  values by what they are called, in small letters
     * @param  'point'|'comma'  $house  what parts the decimals where the company writes them
     */
    public function __construct(private readonly ?string $decimal, private readonly array $words, private readonly string $house = 'point')
    {
    }

    public function of(DeclaredColumn $column, string $cell): string
    {
        $type = $column->type();

        return match (true) {
            $cell === '' => '',
            $type instanceof Decimal => $this->number($cell),
            $type instanceof Whole => $this->number($cell),
            $type instanceof Flag => self::flag($cell),
            $type instanceof Choice => in_array($cell, $type->choices(), true) ? $cell : $this->choice($cell, $type->choices()),
            $type instanceof DayColumn => self::day($cell),
            default => $cell,
        };
    }

    /**
     * What the numbers of a table part their decimals with, where they tell: a sign that comes last of two, or that does not stand before
     * three digits.
     *
     * @param  iterable<string>  $cells
     */
    public static function decimalOf(iterable $cells): ?string
    {
        foreach ($cells as $cell) {
            $text = (string) preg_replace(self::SPACES, '', $cell);
            if (preg_match('/^-?\d+(?:[.,]\d+)+$/', $text) !== 1) {
                continue;
            }
            [$comma, $point] = [strrpos($text, ','), strrpos($text, '.')];
            if ($comma !== false && $point !== false) {
                return $comma > $point ? 'comma' : 'point';
            }
            $sign = $comma === false ? '.' : ',';
            $parts = explode($sign, $text);
            $others = array_filter(array_slice($parts, 1), fn (string $part) => strlen($part) !== 3);
            $isGrouped = strlen(ltrim($parts[0], '-')) <= 3 && $parts[0] !== '0' && $others === [];
            if (! $isGrouped) {
                return $sign === ',' ? 'comma' : 'point';
            }
            if (count($parts) > 2) {
                return $sign === ',' ? 'point' : 'comma';
            }
        }

        return null;
    }

    /** A number as files here write it; what is none stays as it is. */
    public function number(string $cell): string
    {
        $text = (string) preg_replace(self::SPACES, '', $cell);
        if (preg_match('/^-?\d+(?:[.,]\d+)*$/', $text) !== 1) {
            return $cell;
        }
        [$mark, $group] = $this->house === 'comma' ? [',', '.'] : ['.', ','];
        // a single mark of decimals before three digits is what this house writes; the other there is what others group with
        if ($this->decimal === null && substr_count($text, $group) === 1 && ! str_contains($text, $mark)) {
            $this->ambiguous ??= $cell;
        }

        return ($this->decimal ?? $this->house) === 'comma'
            ? str_replace(',', '.', str_replace('.', '', $text))
            : str_replace(',', '', $text);
    }

    private static function flag(string $cell): string
    {
        return match (mb_strtolower($cell)) {
            '1', 'yes', 'y', 'true', 'x' => '1',
            '0', 'no', 'n', 'false', '-' => '0',
            default => $cell,
        };
    }

    /** @param  list<string>  $choices */
    private function choice(string $cell, array $choices): string
    {
        $value = $this->words[mb_strtolower($cell)] ?? mb_strtolower($cell);

        return in_array($value, $choices, true) ? $value : $cell;
    }

    private static function day(string $cell): string
    {
        if (preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{4})$/', $cell, $parts) === 1) {
            return sprintf('%04d-%02d-%02d', $parts[3], $parts[2], $parts[1]);
        }

        return preg_match('/^\d{4}-\d{2}-\d{2} 00:00(:00)?$/', $cell) === 1 ? substr($cell, 0, 10) : $cell;
    }
}
