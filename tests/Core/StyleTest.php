<?php

declare(strict_types=1);

/** @return list<string> the source files that people write, relative */
function writtenFiles(): array
{
    $root = dirname(__DIR__, 2);
    $files = [];
    foreach (['app', 'core/src', 'database', 'routes', 'tests', 'benchmarks', 'resources/js'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS)) as $file) {
            if (preg_match('/\.(?:php|tsx?)$/', (string) $file) === 1 && ! str_ends_with((string) $file, 'lib/shapes.ts')) {
                $files[] = substr((string) $file, strlen($root) + 1);
            }
        }
    }
    sort($files);

    return $files;
}

/** How long the lines of a text are beyond what is quoted in them: data of a test or the words of a sentence are not broken. */
function linesTooLong(string $text): array
{
    $long = [];
    foreach (explode("\n", $text) as $place => $line) {
        $bare = preg_replace(['/\'(?:[^\'\\\\]|\\\\.)*\'/', '/"(?:[^"\\\\]|\\\\.)*"/', '/`(?:[^`\\\\]|\\\\.)*`/', '#\*\s*(?:@param|@return|@var)\s+.*#'], '', $line) ?? $line;
        mb_strlen($bare) > 140 && $long[] = $place + 1;
    }

    return $long;
}

it('has no line over 140 characters', function () {
    $long = [];
    foreach (writtenFiles() as $file) {
        foreach (linesTooLong((string) file_get_contents(dirname(__DIR__, 2)."/{$file}")) as $line) {
            $long[] = "{$file}:{$line}";
        }
    }

    expect($long)->toBe([]);
});

it('finds a line that is too long, but not for what it quotes', function () {
    expect(linesTooLong("short\n".str_repeat('x + ', 40)))->toBe([2])
        ->and(linesTooLong("\$text = '".str_repeat('x', 200)."';"))->toBe([]);
});

it('gives a reason for every file over 300 lines', function () {
    $reasons = (string) file_get_contents(dirname(__DIR__, 2).'/docs/decisions.md');
    $long = array_filter(writtenFiles(), fn (string $file) => substr_count((string) file_get_contents(dirname(__DIR__, 2)."/{$file}"), "\n") > 300);

    expect(array_values(array_filter($long, fn (string $file) => ! str_contains($reasons, '`'.basename($file).'`'))))->toBe([]);
});
