<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Yposta\Core\Bundle\CsvFile;
use Yposta\Core\Bundle\CsvLines;
use Yposta\Core\Bundle\Findings;

/** Text made of what makes trouble in CSV. */
function troublesomeText(Randomizer $random, int $most): string
{
    $parts = ['a', 'B7', '0', ' ', ',', '"', '""', "\n", "\r\n", "\r", "\t", ';', 'é', "\u{2212}", "'", '\\', '\\"'];
    $text = '';
    for ($length = $random->getInt(0, $most); $length > 0; $length--) {
        $text .= $parts[$random->getInt(0, count($parts) - 1)];
    }

    return $text;
}

it('writes rows as the language itself would', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    [$own, $plain] = [fopen('php://memory', 'w+'), fopen('php://memory', 'w+')];
    $rows = [];
    for ($row = 0; $row < 400; $row++) {
        $fields = array_map(fn () => troublesomeText($random, $random->getInt(0, 4)), range(1, $random->getInt(1, 6)));
        $rows[] = $fields;
        fputcsv($plain, $fields, ',', '"', '', "\n");
    }
    (new CsvLines($own))->write($rows);
    rewind($own);
    rewind($plain);
    expect(stream_get_contents($own))->toBe(stream_get_contents($plain));
})->with(range(1, 8));

it('writes what is more than it holds back', function () {
    $stream = fopen('php://memory', 'w+');
    $lines = new CsvLines($stream, "\r\n");
    $lines->write((function () {
        for ($row = 0; $row < 20_000; $row++) {
            yield ["row {$row}", 'x'];
        }
    })());
    $lines->write([]);
    rewind($stream);
    $read = explode("\r\n", (string) stream_get_contents($stream));
    expect($read)->toHaveCount(20_001)->and($read[19_999])->toBe('"row 19999",x')->and($read[20_000])->toBe('');
});

it('reads lines without quotes as those with', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $text = "a,b,c\n";
    for ($line = 0; $line < 300; $line++) {
        $text .= troublesomeText($random, 12).($random->getInt(0, 3) === 0 ? '' : "\n");
    }
    $fast = $slow = [];
    foreach ([&$fast, &$slow] as $place => &$rows) {
        // One cannot go back in a socket, so that there each record is read the long way.
        $pair = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0);
        $stream = $place === 0 ? fopen('php://memory', 'w+') : $pair[0];
        fwrite($place === 0 ? $stream : $pair[1], $text);
        $place === 0 ? rewind($stream) : fclose($pair[1]);
        $findings = new Findings;
        foreach ((new CsvFile('x.csv', $stream, ['a'], ['a', 'b', 'c'], $findings))->rows() as $row) {
            $rows[] = [$row->line, $row->values];
        }
        $rows[] = array_map(fn ($error) => [$error->line, $error->problem], $findings->errors);
    }
    unset($rows);
    expect(json_encode($fast))->toBe(json_encode($slow));
})->with(range(11, 22));
