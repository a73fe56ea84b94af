<?php

declare(strict_types=1);

/**
 * Sentences that the code says, by a pattern whose first group is the sentence as the code writes it.
 *
 * @return list<string>
 */
function sentencesIn(string $folder, string $ending, string $pattern): array
{
    $found = [];
    $files = new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder)), "/\\.{$ending}$/");
    foreach ($files as $file) {
        preg_match_all($pattern, (string) file_get_contents((string) $file), $matches);
        array_push($found, ...array_map(stripcslashes(...), $matches[1]));
    }
    sort($found);

    return array_values(array_unique($found));
}

$root = dirname(__DIR__, 2);
$said = fn () => array_values(array_unique([
    ...sentencesIn("{$root}/resources/js", 'tsx?', '/\bt\(\s*\'((?:[^\'\\\\]|\\\\.)+)\'/'),
    ...sentencesIn("{$root}/resources/js", 'tsx?', '/\btn\(\s*\'((?:[^\'\\\\]|\\\\.)+)\'/'),
    ...sentencesIn("{$root}/resources/js", 'tsx?', '/\btn\(\s*\'(?:[^\'\\\\]|\\\\.)+\',\s*\'((?:[^\'\\\\]|\\\\.)+)\'/'),
    ...array_filter(sentencesIn("{$root}/app", 'php', '/\btrans(?:_choice)?\(\'((?:[^\'\\\\]|\\\\.)+)\'/'), fn (string $key) => preg_match('/^[a-z]+\./', $key) !== 1 && $key !== 'planning'),
]));

it('has every sentence of the interface in the language file, so that another language can be made from it', function () use ($root, $said) {
    $known = json_decode((string) file_get_contents("{$root}/lang/en.json"), true);

    expect(array_values(array_diff($said(), array_keys($known))))->toBe([])->and($said())->not->toBeEmpty();
});

it('has a sentence for every message and hold-up of a plan', function () use ($root) {
    $sentences = require "{$root}/lang/en/planning.php";
    foreach (Yposta\Core\Plan\MessageCode::cases() as $code) {
        expect($sentences)->toHaveKey("message.{$code->value}");
    }
    foreach (Yposta\Core\Plan\HoldUpReason::cases() as $reason) {
        expect($sentences)->toHaveKey("hold_up.{$reason->value}");
        expect((require "{$root}/lang/en/messages.php")['reason'])->toHaveKey($reason->value);
    }
})->group('language');
