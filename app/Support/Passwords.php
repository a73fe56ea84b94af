<?php

declare(strict_types=1);

namespace App\Support;

use Yposta\Core\Support\Phrase;

/** What a password must be: long, and none that others have too or that stands on the person's door. */
final class Passwords
{
    public const SHORTEST = 12;

    /** Longer ones are taken whole, too; this only keeps a machine from being sent novels. */
    public const LONGEST = 1000;

    /** So many letters beside what is common make a password one's own. */
    private const OWN_LETTERS = 4;

    /** Signs that stand in for letters. */
    private const STANDING_IN = ['0' => 'o', '1' => 'i', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's', '!' => 'i'];

    /**
     * What is wrong with it; null when it is good.
     *
     * @param  list<string>  $known  names and addresses of the person
     */
    public static function fault(string $password, array $known): ?Phrase
    {
        $length = mb_strlen($password);

        return match (true) {
            $length < self::SHORTEST => new Phrase('refused.password.short', ['least' => self::SHORTEST]),
            $length > self::LONGEST => new Phrase('refused.password.long', ['most' => self::LONGEST]),
            self::isCommon(mb_strtolower($password), $known) => new Phrase('refused.password.common'),
            default => null,
        };
    }

    /** @param  list<string>  $known */
    private static function isCommon(string $password, array $known): bool
    {
        if (count(array_unique(mb_str_split($password))) < 5 || self::isSequence($password)) {
            return true;
        }
        if (preg_match('/[^\x00-\x7f]/', $password) === 1) {
            return false; // no list knows it
        }
        $words = [];
        foreach ($known as $name) {
            array_push($words, ...preg_split('/[^a-z]+/', mb_strtolower($name)) ?: []);
        }
        $words = [...self::words(), ...array_filter($words, fn (string $word) => strlen($word) > 2)];
        usort($words, fn (string $a, string $b) => strlen($b) <=> strlen($a));
        $readings = [$password, strtr($password, self::STANDING_IN)];

        foreach ($readings as $reading) {
            $own = preg_replace('/[^a-z]/', '', str_replace($words, ' ', $reading)) ?? '';
            if (strlen($own) < self::OWN_LETTERS) {
                return true;
            }
        }

        return false;
    }

    /** Whether each sign follows the one before, as in 123456789012 or abcdefghijkl, or a short piece is said again and again. */
    private static function isSequence(string $password): bool
    {
        $steps = [];
        for ($place = 1; $place < strlen($password); $place++) {
            $steps[ord($password[$place]) - ord($password[$place - 1])] = true;
        }
        unset($steps[-9], $steps[9]);

        return count($steps) <= 1 || preg_match('/^(.{1,5}?)\1+.{0,4}$/s', $password) === 1;
    }

    /** @return list<string> */
    private static function words(): array
    {
        $lines = file(resource_path('passwords/common.txt'), FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];

        return array_values(array_filter($lines, fn (string $line) => $line[0] !== '#'));
    }
}
