<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\RowOf;

/** Where rows with a code are named by others, as these declare it. */
final class Uses
{
    /**
     * @param  class-string  $class  whose rows have a key of one column
     * @param  array<string|int, mixed>  $codes  as keys
     * @return iterable<array{object, string}> rows that name one of them, and by which property
     */
    public static function of(Network $network, string $class, array $codes): iterable
    {
        foreach (Network::classes() as $other) {
            $properties = self::naming($other, $class);
            foreach ($properties === [] ? [] : $network->rows($other) as $row) {
                $values = get_object_vars($row);
                foreach ($properties as $property) {
                    if (isset($values[$property]) && is_string($values[$property]) && isset($codes[$values[$property]])) {
                        yield [$row, $property];
                    }
                }
            }
        }
    }

    /**
     * The properties of one class that name rows of another.
     *
     * @param  class-string  $class
     * @param  class-string  $named
     * @return list<string>
     */
    public static function naming(string $class, string $named): array
    {
        $properties = [];
        foreach (Declaration::of($class)->columns as $property => $column) {
            $type = $column->column->type;
            $type instanceof RowOf && $type->class === $named && $properties[] = $property;
        }

        return $properties;
    }
}
