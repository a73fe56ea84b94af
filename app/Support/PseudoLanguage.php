<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A made-up language: every sentence of English accented and a third longer, with its placeholders and choices as they are. What is read
 * without accents does not come from the language files; what breaks a layout would break it in a language of longer words.
 */
final class PseudoLanguage
{
    private const LETTERS = [
        'a' => 'á', 'b' => 'ƀ', 'c' => 'ç', 'd' => 'đ', 'e' => 'é', 'f' => 'ƒ', 'g' => 'ğ', 'h' => 'ħ', 'i' => 'í', 'k' => 'ķ', 'l' => 'ł', 'n' => 'ñ',
        'o' => 'ó', 'p' => 'þ', 'r' => 'ř', 's' => 'š', 't' => 'ŧ', 'u' => 'ú', 'v' => 'ṽ', 'w' => 'ŵ', 'y' => 'ý', 'z' => 'ž',
        'A' => 'Á', 'E' => 'É', 'I' => 'Í', 'O' => 'Ó', 'U' => 'Ú', 'S' => 'Š', 'T' => 'Ŧ', 'W' => 'Ŵ', 'Y' => 'Ý',
    ];

    /** What is filled in or chosen by: `:name`, `{1}`, `[2,*]`, and the bar between two forms. */
    private const KEPT = '/(:[a-zA-Z]\w*|\{\d+\}|\[\d+,(?:\d+|\*)\]|\|)/';

    public static function say(string $sentence): string
    {
        $parts = preg_split(self::KEPT, $sentence, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];
        $said = '';
        $length = 0;
        foreach ($parts as $place => $part) {
            if ($place % 2 === 0) {
                $said .= strtr($part, self::LETTERS);
                $length += mb_strlen(trim($part));
            } else {
                $said .= $part === '|' ? self::longer($length).$part : $part;
                $length = $part === '|' ? 0 : $length;
            }
        }

        return $said.self::longer($length);
    }

    /**
     * @param  array<mixed>  $sentences  nested as a language file is
     * @return array<mixed>
     */
    public static function sayAll(array $sentences): array
    {
        return array_map(fn (mixed $one) => match (true) {
            is_array($one) => self::sayAll($one),
            is_string($one) => self::say($one),
            default => $one,
        }, $sentences);
    }

    /** A third more than so many letters. */
    private static function longer(int $letters): string
    {
        return $letters < 2 ? '' : str_repeat('~', intdiv($letters + 2, 3));
    }
}
