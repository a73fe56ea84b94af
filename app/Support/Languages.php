<?php

declare(strict_types=1);

namespace App\Support;

use Yposta\Core\Wording\Templates;

/** The language files that hold phrases, read once for each language. */
final class Languages
{
    /** Files whose codes begin with their name; those of the core stand without. */
    private const FILES = ['refused', 'journal'];

    /** @var array<string, Templates> by locale */
    private array $templates = [];

    public function templates(string $locale): Templates
    {
        return $this->templates[$locale] ??= Templates::of([
            ...(array) trans('core', [], $locale),
            ...array_combine(self::FILES, array_map(fn (string $file) => (array) trans($file, [], $locale), self::FILES)),
        ]);
    }
}
