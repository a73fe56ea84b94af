<?php

declare(strict_types=1);

namespace Yposta\Core\Reference;

/** The order of references, the last tie-breaker everywhere (section 2): names bytewise, lines as numbers. */
final class ReferenceOrder
{
    /** Compares two lines part by part: numbers as numbers and before what is no number, that bytewise. */
    public static function lines(string $a, string $b): int
    {
        $parts = explode('.', $a);
        $others = explode('.', $b);
        foreach ($parts as $place => $part) {
            if (! isset($others[$place])) {
                return 1;
            }
            $order = self::part($part, $others[$place]);
            if ($order !== 0) {
                return $order;
            }
        }

        return count($parts) <=> count($others) ?: strcmp($a, $b);
    }

    private static function part(string $a, string $b): int
    {
        $numeric = ctype_digit($a);
        if ($numeric !== ctype_digit($b)) {
            return $numeric ? -1 : 1;
        }
        if (! $numeric) {
            return strcmp($a, $b);
        }
        $a = ltrim($a, '0');
        $b = ltrim($b, '0');

        return strlen($a) <=> strlen($b) ?: strcmp($a, $b);
    }
}
