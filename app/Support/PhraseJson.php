<?php

declare(strict_types=1);

namespace App\Support;

use InvalidArgumentException;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\Phrase;

/** Phrases as JSON, to be kept or sent and said later in the language of whoever reads them. */
final class PhraseJson
{
    public static function write(Phrase $phrase): string
    {
        return json_encode(self::plain($phrase), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    public static function read(string $json): Phrase
    {
        return self::phrase((array) json_decode($json, true, 32, JSON_THROW_ON_ERROR));
    }

    /** @return array{0: string, 1: array<string, mixed>} */
    private static function plain(Phrase $phrase): array
    {
        return [$phrase->code, array_map(fn (mixed $value) => match (true) {
            $value instanceof Amount => ['amount' => [$value->millionths, $value->unit]],
            $value instanceof Date => ['day' => $value->day],
            $value instanceof Phrase => ['phrase' => self::plain($value)],
            is_array($value) => ['list' => array_map(self::plain(...), $value)],
            default => $value,
        }, $phrase->values)];
    }

    /** @param  array<mixed>  $plain */
    private static function phrase(array $plain): Phrase
    {
        [$code, $values] = [...$plain, null, null];
        if (! is_string($code) || ! is_array($values)) {
            throw new InvalidArgumentException('this is no phrase');
        }
        $said = [];
        foreach ($values as $name => $value) {
            $said[(string) $name] = self::value($value);
        }

        return new Phrase($code, $said);
    }

    /** @return int|string|Amount|Date|Phrase|list<Phrase>|null */
    private static function value(mixed $value): int|string|Amount|Date|Phrase|array|null
    {
        return match (true) {
            $value === null, is_int($value), is_string($value) => $value,
            is_array($value) && is_int($value['day'] ?? null) => new Date($value['day']),
            is_array($value)
                && is_array($value['amount'] ?? null)
                && is_int($value['amount'][0] ?? null)
                && is_string($value['amount'][1] ?? null) => new Amount($value['amount'][0], $value['amount'][1]),
            is_array($value) && is_array($value['phrase'] ?? null) => self::phrase($value['phrase']),
            is_array($value) && is_array($value['list'] ?? null) => array_values(array_map(
                fn (mixed $one) => self::phrase((array) $one),
                $value['list'],
            )),
            default => throw new InvalidArgumentException('this is no value of a phrase'),
        };
    }
}
