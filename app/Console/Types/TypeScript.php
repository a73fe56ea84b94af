<?php

declare(strict_types=1);

namespace App\Console\Types;

use BackedEnum;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeItemNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\NullableTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;
use ReflectionClass;
use ReflectionEnum;
use ReflectionMethod;
use ReflectionNamedType;
use ReflectionType;
use ReflectionUnionType;
use UnexpectedValueException;

/**
 * Declarations of TypeScript for PHP classes that are sent as JSON. A class becomes an interface of its public properties, a backed enum
 * the union of its values; enums are found through the properties that have them. Types are those of PHP, and where PHP says `array`
 * those of the docblock: `list<X>`, `array<string, X>`, `array{name: X}`, `value-of<E>`, literals and unions.
 */
final class TypeScript
{
    private const WIDTH = 140;

    private Lexer $lexer;

    private PhpDocParser $parser;

    /** @var array<string, class-string> class by its short name, as it is used */
    private array $used = [];

    public function __construct()
    {
        $config = new ParserConfig([]);
        $expressions = new ConstExprParser($config);
        $this->lexer = new Lexer($config);
        $this->parser = new PhpDocParser($config, new TypeParser($config, $expressions), $expressions);
    }

    /**
     * @param  list<class-string>  $classes  whose properties are sent
     * @param  array<string, class-string>  $ofMethods  classes whose public methods give one property each, by the name of the interface
     *
     * @throws UnexpectedValueException for a type that cannot be said in TypeScript, naming where it stands
     */
    public function declare(array $classes, array $ofMethods): string
    {
        $interfaces = [];
        foreach ($ofMethods as $name => $class) {
            $interfaces[$name] = $this->interface($name, new ReflectionClass($class), $this->methods(new ReflectionClass($class)));
        }
        foreach ($classes as $class) {
            $reflection = new ReflectionClass($class);
            if (! $reflection->isEnum()) {
                $interfaces[$reflection->getShortName()] = $this->interface(
                    $reflection->getShortName(),
                    $reflection,
                    $this->properties($reflection),
                );
            }
        }
        $unions = [];
        foreach ($this->used as $name => $class) {
            if (is_subclass_of($class, BackedEnum::class)) {
                $unions[$name] = $this->union($class);
            } elseif (! isset($interfaces[$name])) {
                throw new UnexpectedValueException("{$class} is used by what is sent, but is not sent itself.");
            }
        }
        ksort($unions);
        ksort($interfaces);

        return implode("\n\n", [...$unions, ...$interfaces])."\n";
    }

    /** @param  class-string<BackedEnum>  $enum */
    private function union(string $enum): string
    {
        $values = array_map(fn (BackedEnum $case) => "'{$case->value}'", $enum::cases());

        $head = "export type {$this->shortName($enum)} =";
        $union = implode(' | ', $values).';';
        $room = match (true) {
            strlen("{$head} {$union}") <= self::WIDTH => " {$union}",
            strlen("    {$union}") <= self::WIDTH => "\n    {$union}",
            default => "\n    | ".implode("\n    | ", $values).';',
        };

        return $this->comment(new ReflectionEnum($enum)).$head.$room;
    }

    /**
     * @param  ReflectionClass<object>  $class
     * @param  array<string, string>  $fields  type by name
     */
    private function interface(string $name, ReflectionClass $class, array $fields): string
    {
        $lines = array_map(fn (string $field, string $type) => $this->field($field, $type), array_keys($fields), $fields);

        return $this->comment($class)."export interface {$name} {\n".implode("\n", $lines)."\n}";
    }

    /** A field, over several lines where its shape is too wide for one. */
    private function field(string $name, string $type): string
    {
        $line = "    {$name}: {$type};";
        if (strlen($line) < self::WIDTH || ! str_starts_with($type, '{ ') || ! str_ends_with($type, ' }')) {
            return $line;
        }

        return "    {$name}: {\n        "
            .implode("\n        ", array_map(fn (string $one) => "{$one};", self::split(substr($type, 2, -2))))."\n    };";
    }

    /** @return list<string> the fields of a shape, not those of the shapes in it */
    private static function split(string $shape): array
    {
        $fields = [''];
        $depth = 0;
        foreach (str_split($shape) as $letter) {
            $depth += ['{' => 1, '}' => -1][$letter] ?? 0;
            $letter === ';' && $depth === 0 ? $fields[] = '' : $fields[count($fields) - 1] .= $letter;
        }

        return array_map(trim(...), $fields);
    }

    /**
     * @param  ReflectionClass<object>  $class
     * @return array<string, string>
     */
    private function properties(ReflectionClass $class): array
    {
        $documented = [];
        foreach ($this->document($class->getConstructor()?->getDocComment())->getParamTagValues() as $tag) {
            $documented[ltrim($tag->parameterName, '$')] = $tag;
        }
        $fields = [];
        foreach ($class->getProperties() as $property) {
            if ($property->isPublic() && ! $property->isStatic()) {
                $tag = $documented[$property->getName()] ?? null;
                $fields[$property->getName()] = $this->type($tag?->type, $property->getType(), $class, $property->getName());
            }
        }

        return $fields;
    }

    /**
     * @param  ReflectionClass<object>  $class
     * @return array<string, string>
     */
    private function methods(ReflectionClass $class): array
    {
        $fields = [];
        foreach ($class->getMethods(ReflectionMethod::IS_PUBLIC) as $method) {
            if (! $method->isConstructor()) {
                $tags = array_values($this->document($method->getDocComment())->getReturnTagValues());
                $fields[$method->getName()] = $this->type(
                    isset($tags[0]) ? $tags[0]->type : null, $method->getReturnType(), $class, $method->getName(),
                );
            }
        }

        return $fields;
    }

    private function document(string|false|null $comment): PhpDocNode
    {
        return is_string($comment) ? $this->parser->parse(new TokenIterator($this->lexer->tokenize($comment))) : new PhpDocNode([]);
    }

    /** @param  ReflectionClass<object>  $class */
    private function type(?TypeNode $documented, ?ReflectionType $native, ReflectionClass $class, string $member): string
    {
        if ($documented !== null) {
            return $this->written($documented, $class, $member);
        }
        if ($native instanceof ReflectionUnionType) {
            return implode(' | ', array_map(fn (ReflectionType $one) => $this->type(null, $one, $class, $member), $native->getTypes()));
        }
        if (! $native instanceof ReflectionNamedType) {
            throw new UnexpectedValueException("{$class->getName()}::{$member} has no type.");
        }
        $name = $this->named($native->getName(), $class, $member);

        return $native->allowsNull() && $name !== 'null' ? "{$name} | null" : $name;
    }

    /** @param  ReflectionClass<object>  $class */
    private function written(TypeNode $type, ReflectionClass $class, string $member): string
    {
        $say = fn (TypeNode $one) => $this->written($one, $class, $member);
        if ($type instanceof UnionTypeNode) {
            return implode(' | ', array_map($say, $type->types));
        }
        if ($type instanceof NullableTypeNode) {
            return $say($type->type).' | null';
        }
        if ($type instanceof ConstTypeNode && $type->constExpr instanceof ConstExprStringNode) {
            return "'{$type->constExpr->value}'";
        }
        if ($type instanceof ArrayShapeNode) {
            return '{ '
                .implode(
                    '; ',
                    array_map(
                        fn (ArrayShapeItemNode $item) => trim((string) $item->keyName, "'").($item->optional ? '?' : '').': '
                            .$say($item->valueType),
                        $type->items,
                    ),
                ).' }';
        }
        if ($type instanceof GenericTypeNode) {
            $last = $say($type->genericTypes[count($type->genericTypes) - 1]);

            return match ((string) $type->type) {
                'list' => str_contains($last, ' | ') ? "({$last})[]" : "{$last}[]",
                'array' => 'Record<'.$say($type->genericTypes[0]).", {$last}>",
                'value-of' => $last,
                default => throw new UnexpectedValueException("{$class->getName()}::{$member} has a type that cannot be sent: {$type}"),
            };
        }
        if ($type instanceof IdentifierTypeNode) {
            return $this->named($type->name, $class, $member);
        }
        throw new UnexpectedValueException("{$class->getName()}::{$member} has a type that cannot be sent: {$type}");
    }

    /** @param  ReflectionClass<object>  $class */
    private function named(string $name, ReflectionClass $class, string $member): string
    {
        $plain = ['int' => 'number', 'float' => 'number', 'string' => 'string', 'bool' => 'boolean', 'null' => 'null'][$name] ?? null;
        if ($plain !== null) {
            return $plain;
        }
        $found = $this->resolve($name, $class) ?? throw new UnexpectedValueException(
            "{$class->getName()}::{$member} has a type that cannot be sent: {$name}",
        );
        $short = $this->shortName($found);
        if (($this->used[$short] ?? $found) !== $found) {
            throw new UnexpectedValueException("Two classes that are sent are called {$short}: {$found} and {$this->used[$short]}.");
        }
        $this->used[$short] = $found;

        return $short;
    }

    /**
     * @param  ReflectionClass<object>  $class
     * @return class-string|null
     */
    private function resolve(string $name, ReflectionClass $class): ?string
    {
        if (class_exists($name)) {
            return $name;
        }
        preg_match(
            '/^use ([\w\\\\]+\\\\'.preg_quote($name, '/').');/m',
            (string) file_get_contents((string) $class->getFileName()),
            $import,
        );
        foreach ([$import[1] ?? '', $class->getNamespaceName().'\\'.$name] as $full) {
            if (class_exists($full)) {
                return $full;
            }
        }

        return null;
    }

    private function shortName(string $class): string
    {
        return substr((string) strrchr("\\{$class}", '\\'), 1);
    }

    /** @param  ReflectionClass<object>  $class */
    private function comment(ReflectionClass $class): string
    {
        $text = trim((string) preg_replace('/^\s*\/?\*+\/?\s?|\s*\*\/$/m', '', (string) $class->getDocComment()));

        $text = (string) preg_replace('/\s+/', ' ', $text);
        if (strlen($text) < self::WIDTH - 8) {
            return $text === '' ? '' : "/** {$text} */\n";
        }

        return "/**\n * ".wordwrap($text, self::WIDTH - 4, "\n * ")."\n */\n";
    }
}
