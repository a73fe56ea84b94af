<?php

declare(strict_types=1);

use App\Documents\Code128;

/** Reads widths back as a scanner does: by the table of the standard, with the check sign. */
function scanned(array $widths): string
{
    $table = array_flip((new ReflectionClassConstant(Code128::class, 'PATTERNS'))->getValue());
    $values = [];
    for ($at = 0; $at < count($widths) - 7; $at += 6) {
        $sign = array_slice($widths, $at, 6);
        expect(array_sum($sign))->toBe(11); // every sign is eleven modules wide, its bars an even number of them
        expect(($sign[0] + $sign[2] + $sign[4]) % 2)->toBe(0);
        $values[] = $table[implode('', $sign)];
    }
    expect(implode('', array_slice($widths, -7)))->toBe('2331112');
    $check = array_pop($values);
    $sum = $values[0];
    foreach ($values as $place => $value) {
        $sum += $place * $value;
    }
    expect($sum % 103)->toBe($check);
    $set = array_shift($values) === 105 ? 'C' : 'B';
    $text = '';
    foreach ($values as $value) {
        if ($set === 'C' ? $value === 100 : $value === 99) {
            $set = $set === 'C' ? 'B' : 'C';
        } else {
            $text .= $set === 'C' ? sprintf('%02d', $value) : chr($value + 32);
        }
    }

    return $text;
}

it('has the signs of the standard', function () {
    // start B, P, J, J, 1, 2, 3, C, check 55, stop
    expect(implode(' ', str_split(implode('', array_slice(Code128::widths('PJJ123C'), 0, -7)), 6)))
        ->toBe('211214 313121 112133 112133 123221 223211 221132 131321 311321')
        ->and(count(array_unique((new ReflectionClassConstant(Code128::class, 'PATTERNS'))->getValue())))->toBe(107);
});

it('is read back as it was written, whatever it says', function (string $text) {
    expect(scanned(Code128::widths($text)))->toBe($text);
})->with(['A', 'M-1042', 'P-3340.12', '00', '0', '1234', '12345', 'AB123456', 'AB1234567C', '12AB', '1234AB56789012', 'WS-400 / 10', '~ !"#', str_repeat('7', 79)]);

it('is shorter where digits follow each other, and random texts are read back', function () {
    expect(count(Code128::widths('12345678')))->toBeLessThan(count(Code128::widths('ABCDEFGH')));
    mt_srand(7);
    for ($round = 0; $round < 300; $round++) {
        $text = '';
        for ($length = mt_rand(1, 40); $length > 0; $length--) {
            $text .= mt_rand(0, 1) === 0 ? (string) mt_rand(0, 9) : chr(mt_rand(32, 126));
        }
        expect(scanned(Code128::widths($text)))->toBe($text);
    }
});

it('is none of what it cannot say', function (string $text) {
    expect(Code128::can($text))->toBeFalse()->and(fn () => Code128::widths($text))->toThrow(InvalidArgumentException::class);
})->with(['', "A\n", 'Söhne', str_repeat('x', 81)]);

it('is a picture with a quiet zone', function () {
    $svg = base64_decode(substr(Code128::picture('M-1'), strlen('data:image/svg+xml;base64,')));
    expect($svg)->toStartWith('<svg')->toContain('x="10"')->and(simplexml_load_string($svg))->not->toBeFalse();
});
