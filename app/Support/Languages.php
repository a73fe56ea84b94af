<?php

declare(strict_types=1);

namespace App\Support;

use Yposta\Core\Wording\Templates;

/** The language files that hold phrases, read once for each language. */
final class Languages
{
    /** Files whose codes begin with their name; those of the core stand without. */
    private const FILES = ['refused', 'journal', 'examination'];

    /** @var array<string, Templates> by locale and style of numbers */
    private array $templates = [];

    /** @var array<string, Templates> those last asked for a plan date, by locale, so that what they have written out is remembered */
    private array $onDate = [];

    public function on(string $locale, int $planDate): Templates
    {
        $key = $this->key($locale);

        return $this->onDate[$key] = ($this->onDate[$key] ?? $this->templates($locale))->on($planDate);
    }

    public function templates(string $locale): Templates
    {
        return $this->templates[$this->key($locale)] ??= Templates::of([
            ...$core = (array) trans('core', [], $locale),
            ...array_combine(self::FILES, array_map(fn (string $file) => (array) trans($file, [], $locale), self::FILES)),
            'format' => [...(array) ($core['format'] ?? []), ...(NumberStyle::now()->isComma() ? ['group' => '.', 'decimal' => ','] : [])],
        ]);
    }

    private function key(string $locale): string
    {
        return $locale.' '.NumberStyle::now()->name();
    }
}
