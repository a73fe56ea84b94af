<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\InvalidField;

/** Declared rows as plain arrays, by the names of their properties. */
final class RowCodec
{
    /** @return array<string, mixed> */
    public static function encode(object $row): array
    {
        $values = get_object_vars($row);
        $fields = [];
        foreach (Declaration::of($row::class)->columns as $property => $column) {
            $fields[$property] = ($values[$property] ?? null) === null ? null : $column->type()->plain($values[$property]);
        }

        return $fields;
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class  of declared rows
     * @param  array<mixed>  $fields
     * @return T
     *
     * @throws InvalidChange when a field is missing, unknown or of another type
     */
    public static function decode(string $class, array $fields): object
    {
        $declaration = Declaration::of($class);
        $values = self::values($declaration, $fields);
        foreach ($declaration->columns as $property => $column) {
            $column->mustBeFilled && ! array_key_exists($property, $values) && throw InvalidChange::missing($property);
        }

        /** @var T */
        return $class::fromValues($declaration->complete($values)); // @phpstan-ignore staticMethod.notFound (every declared class uses Row)
    }

    /**
     * The values of some columns, as they are given.
     *
     * @param  array<mixed>  $fields
     * @return array<string, mixed> by property
     *
     * @throws InvalidChange when a field is unknown or of another type
     */
    public static function values(Declaration $declaration, array $fields): array
    {
        $values = [];
        foreach ($fields as $name => $plain) {
            $column = $declaration->columns[$name] ?? throw InvalidChange::unknown($name);
            try {
                $values[$column->property] = match (true) {
                    $plain !== null => $column->type()->fromPlain($plain),
                    $column->column->default === null => throw InvalidChange::missing($column->property),
                    default => $column->defaultValue(),
                };
            } catch (InvalidField $trouble) {
                throw InvalidChange::wrong($name, $trouble->fault->problem);
            }
        }

        return $values;
    }
}
