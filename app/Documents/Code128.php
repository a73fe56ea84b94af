<?php

declare(strict_types=1);

namespace App\Documents;

use InvalidArgumentException;

/**
 * A bar code after ISO/IEC 15417 (Code 128): sets B and C, the shorter where digits follow each other, with its check sign and stop. A
 * quiet zone of ten modules stands on both sides.
 */
final class Code128
{
    private const START_B = 104;

    private const START_C = 105;

    private const TO_C = 99;

    private const TO_B = 100;

    private const QUIET = 10;

    /** Widths of bars and gaps of each value, 0 to 105, and of the stop. */
    private const PATTERNS = [
        '212222', '222122', '222221', '121223', '121322', '131222', '122213', '122312', '132212', '221213', '221312', '231212', '112232', '122132',
        '122231', '113222', '123122', '123221', '223211', '221132', '221231', '213212', '223112', '312131', '311222', '321122', '321221', '312212',
        '322112', '322211', '212123', '212321', '232121', '111323', '131123', '131321', '112313', '132113', '132311', '211313', '231113', '231311',
        '112133', '112331', '132131', '113123', '113321', '133121', '313121', '211331', '231131', '213113', '213311', '213131', '311123', '311321',
        '331121', '312113', '312311', '332111', '314111', '221411', '431111', '111224', '111422', '121124', '121421', '141122', '141221', '112214',
        '112412', '122114', '122411', '142112', '142211', '241211', '221114', '413111', '241112', '134111', '111242', '121142', '121241', '114212',
        '124112', '124211', '411212', '421112', '421211', '212141', '214121', '412121', '111143', '111341', '131141', '114113', '114311', '411113',
        '411311', '113141', '114131', '311141', '411131', '211412', '211214', '211232', '2331112',
    ];

    /**
     * The widths of its bars and gaps in modules, a bar first.
     *
     * @return list<int>
     *
     * @throws InvalidArgumentException where it is empty or has signs other than those of ASCII from space to tilde
     */
    public static function widths(string $text): array
    {
        preg_match('/^[ -~]{1,80}$/D', $text) === 1 || throw new InvalidArgumentException('a bar code has 1 to 80 signs from space to tilde');
        $values = self::values($text);
        $check = $values[0];
        foreach ($values as $place => $value) {
            $check += $place * $value;
        }
        $widths = [];
        foreach ([...$values, $check % 103, count(self::PATTERNS) - 1] as $value) {
            array_push($widths, ...array_map(intval(...), str_split(self::PATTERNS[$value])));
        }

        return $widths;
    }

    /** Whether a text can be one. */
    public static function can(string $text): bool
    {
        return preg_match('/^[ -~]{1,80}$/D', $text) === 1;
    }

    /**
     * As a picture in an address, to be shown by a page or a paper.
     *
     * @param  int  $height  in modules
     */
    public static function picture(string $text, int $height = 40): string
    {
        $at = self::QUIET;
        $bars = '';
        foreach (self::widths($text) as $place => $width) {
            $bars .= $place % 2 === 0 ? "<rect x=\"{$at}\" y=\"0\" width=\"{$width}\" height=\"{$height}\"/>" : '';
            $at += $width;
        }
        $wide = $at + self::QUIET;

        return 'data:image/svg+xml;base64,'.base64_encode(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$wide}\" height=\"{$height}\" viewBox=\"0 0 {$wide} {$height}\">{$bars}</svg>",
        );
    }

    /** @return non-empty-list<int> the start, and the signs with the changes of set */
    private static function values(string $text): array
    {
        $inC = preg_match('/^(?:\d{4}|\d\d$)/', $text) === 1;
        $values = [$inC ? self::START_C : self::START_B];
        for ($at = 0; $at < strlen($text);) {
            // two digits are one sign in set C; going there and back pays from four on, or six in the middle
            if ($inC && preg_match('/\G\d\d/', $text, $pair, 0, $at) === 1) {
                $values[] = (int) $pair[0];
                $at += 2;
            } elseif ($inC) {
                $values[] = self::TO_B;
                $inC = false;
            } elseif (preg_match('/\G(?:\d\d){3,}|\G(?:\d\d){2,}$/', $text, $digits, 0, $at) === 1) {
                $values[] = self::TO_C;
                $inC = true;
            } else {
                $values[] = ord($text[$at]) - 32;
                $at++;
            }
        }

        return $values;
    }
}
