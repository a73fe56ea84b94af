<?php

declare(strict_types=1);

namespace Yposta\Core\Options;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Declaration\Whole;

/** Options as the rows of `plan.csv`: a key and a value each. */
final class OptionSettings
{
    public static function isKnown(string $key): bool
    {
        return isset(self::columns()[$key]);
    }

    /**
     * @throws InvalidField when the text is no value of that key
     */
    public static function parse(string $key, string $text): mixed
    {
        $type = self::columns()[$key]->type();
        $value = $type->parse($text);
        if ($type instanceof Whole && is_int($value) && ($value < $type->least || $value > $type->most)) {
            throw new InvalidField(Fault::of('not_whole', ['text' => $text, 'least' => $type->least, 'most' => $type->most]));
        }

        return $value;
    }

    /**
     * @param  array<string, mixed>  $values  by key
     *
     * @throws InvalidOptions
     */
    public static function options(array $values): Options
    {
        $given = [];
        foreach (self::columns() as $key => $column) {
            array_key_exists($key, $values) && $given[$column->property] = $values[$key];
        }

        return Options::of(...$given);
    }

    /** @return array<string, string> by key; what is empty is left out */
    public static function of(Options $options): array
    {
        $declaration = Declaration::of(Options::class);

        return array_filter(array_combine($declaration->header(), $declaration->fields($options)), fn (string $text) => $text !== '');
    }

    /** @return array<string, DeclaredColumn> by key */
    private static function columns(): array
    {
        return array_column(
            array_map(fn (DeclaredColumn $column) => [$column->name, $column], Declaration::of(Options::class)->columns),
            1,
            0,
        );
    }
}
