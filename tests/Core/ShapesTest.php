<?php

declare(strict_types=1);

/** @return array<string, array<string, string>> type by field by interface, as PHP would write it */
function shapesOfTypeScript(): array
{
    $source = (string) file_get_contents(dirname(__DIR__, 2).'/resources/js/lib/shapes.ts');
    preg_match_all('/export interface (\w+) \{\n(.*?)\n\}/s', $source, $interfaces, PREG_SET_ORDER);
    $shapes = [];
    foreach ($interfaces as [, $name, $body]) {
        preg_match_all('/^\s+(\w+): (.+);$/m', $body, $fields, PREG_SET_ORDER);
        foreach ($fields as [, $field, $type]) {
            $nullable = str_ends_with($type, ' | null') ? '?' : '';
            $type = str_replace(' | null', '', $type);
            $shapes[$name][$field] = $nullable.(['number' => 'int', 'boolean' => 'bool'][$type] ?? $type);
        }
    }

    return $shapes;
}

/** @return array<string, array<string, string>> */
function shapesOfPhp(): array
{
    $shapes = [];
    foreach (glob(dirname(__DIR__, 2).'/app/Planning/Shapes/*.php') ?: [] as $file) {
        $class = new ReflectionClass('App\Planning\Shapes\\'.basename($file, '.php'));
        preg_match_all('/@param  list<(\w+)>(?:\|null)?  \$(\w+)/', (string) $class->getConstructor()?->getDocComment(), $lists, PREG_SET_ORDER);
        $elements = array_column($lists, 1, 2);
        foreach ($class->getProperties() as $property) {
            $type = $property->getType();
            $name = $type instanceof ReflectionNamedType ? str_replace('App\Planning\Shapes\\', '', $type->getName()) : '';
            $shapes[$class->getShortName()][$property->getName()] = ($type?->allowsNull() ? '?' : '').($name === 'array' ? $elements[$property->getName()].'[]' : $name);
        }
    }

    return $shapes;
}

it('declares every shape alike on both sides', function () {
    $php = shapesOfPhp();
    $typescript = shapesOfTypeScript();
    ksort($php);
    ksort($typescript);

    expect($php)->not->toBeEmpty()->and($typescript)->toBe($php);
});
