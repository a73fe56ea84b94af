<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Name;
use PhpParser\Node\Stmt;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;
use ReflectionClass;

/**
 * The rules of how the house is built, as docs/architecture.md draws it: which floor may use which, what the core must not know, what a
 * controller must not do. Reads the source as a tree, not as text.
 */
final class House
{
    /** From the ground up; a folder uses only what stands on floors below its own, or itself. */
    public const CORE = [
        ['Support'], ['Quantity', 'Calendar'], ['Reference', 'Wording'], ['Declaration'], ['Network'], ['Capacity'], ['Options'], ['Bundle'],
        ['Structure'], ['Run'], ['Demand'],
        ['Netting'], ['Projection'], ['Plan'], ['Scheduling'], ['Comparison', 'Planner'], ['Study', 'NetChange'], ['Trial'], ['Shortage'],
        ['Reservation', 'Availability'],
        ['Conversion', 'Remedy'], ['Promise'],
    ];

    public const APP = [
        ['Models'], ['Support'], ['Planning'], ['Documents'], ['Outgoing'], ['Reading'], ['Intake'], ['Trials'], ['Jobs'], ['Actions'], ['Outside'], ['Http'], ['Console'],
        ['Providers'],
    ];

    /** Classes of PHP that the core may use: errors, the shapes of the language, and reflection to read declarations. */
    private const PHP = '/^(?:[A-Z]\w*(?:Exception|Error)|Throwable|Stringable|Closure|Generator|Iterator|IteratorAggregate|ArrayIterator|ArrayAccess|Countable|Traversable|'
        .'BackedEnum|UnitEnum|Attribute|Reflection\w+|SplMinHeap|SplPriorityQueue|SplQueue|SplObjectStorage|WeakMap|Deprecated|stdClass|DateTimeZone|JsonSerializable)$/';

    /** Functions that look at something outside of what they are given: clock, files, environment, chance, output, framework. */
    private const OUTSIDE = '/^(?:time|microtime|hrtime|date|getdate|localtime|idate|strtotime|mktime|checkdate_now|now|today|date_create\w*|'
        .'file|file_\w+|fopen|readfile|glob|opendir|scandir|is_file|is_dir|is_readable|mkdir|unlink|rename|copy|touch|tempnam|tmpfile|stat|realpath|getcwd|'
        .'getenv|putenv|ini_get|ini_set|php_sapi_name|gethostname|getmypid|memory_get_\w+|setlocale|date_default_timezone_\w+|'
        .'rand|mt_rand|random_int|random_bytes|shuffle|array_rand|uniqid|lcg_value|'
        .'print_r|var_dump|var_export|printf|error_log|exec|shell_exec|system|passthru|proc_open|popen|curl_\w+|fsockopen|stream_socket_\w+|mail|'
        .'app|config|env|request|session|resolve|trans|trans_choice|__|cache|logger|event|dispatch|view|response|redirect|auth|'
        .'base_path|storage_path|resource_path|app_path|config_path|database_path|public_path|dd|dump)$/';

    /** What of the core a controller and what is sent may touch: values, kinds and references, never something that computes. */
    private const VALUES = '/^Yposta\\\\Core\\\\(?:Calendar|Quantity|Reference|Support)\\\\|\\\\(?:BucketSize|OrderKind|MessageCode|NeedState|Demand|Supply)$/';

    private const WEB = '/^(?:App\\\\Http\\\\|Illuminate\\\\Http\\\\|Inertia\\\\|Symfony\\\\Component\\\\HttpFoundation\\\\)/';

    /** Where what cannot change while a process lives is kept once read. */
    private const MEMOS = ['core/src/Declaration/Declaration.php'];

    private const MOST_ARGUMENTS = 6;

    /**
     * What breaks a rule in a file.
     *
     * @param  string  $path  relative, as core/src/Run/Peg.php
     * @return list<string> what and where
     */
    public static function faults(string $path, string $source): array
    {
        $tree = (new NodeTraverser(new NameResolver))->traverse((new ParserFactory)->createForHostVersion()->parse($source) ?? []);
        $faults = [];
        $find = new NodeFinder;
        foreach ($find->find($tree, fn (Node $node) => true) as $node) {
            foreach (self::ofNode($path, $node) as $fault) {
                $faults["{$path}:{$node->getStartLine()} {$fault}"] = true;
            }
        }
        $strict = $find->findFirst(
            $tree,
            fn (Node $node) => $node instanceof Stmt\Declare_ && $node->declares[0]->key->toString() === 'strict_types',
        );
        $strict === null && $faults["{$path} does not declare strict types"] = true;

        return array_keys($faults);
    }

    /** @return list<string> */
    private static function ofNode(string $path, Node $node): array
    {
        $core = str_starts_with($path, 'core/src/');
        $faults = [];
        if ($node instanceof Name\FullyQualified) {
            $faults = self::ofClass($path, $node->toString());
        }
        if ($node instanceof Node\UseItem) { // an import counts, even if only a comment uses it
            $faults = self::ofClass($path, $node->name->toString());
        }
        if ($node instanceof Expr\FuncCall && $node->name instanceof Name) {
            $function = strtolower($node->name->getLast());
            if ($core && preg_match(self::OUTSIDE, $function) === 1) {
                $faults[] = "calls {$function}()";
            }
            if ($core && $function === 'gmdate' && count($node->args) < 2) {
                $faults[] = 'reads the clock with gmdate()';
            }
            if ($function === 'request' && ! str_starts_with($path, 'app/Http/')) {
                $faults[] = 'asks for the request';
            }
        }
        if ($core) {
            $what = match (true) {
                $node instanceof Stmt\Echo_, $node instanceof Expr\Print_, $node instanceof Expr\Exit_ => 'writes out',
                $node instanceof Stmt\InlineHTML => 'writes out',
                $node instanceof Expr\Include_ => 'includes a file',
                $node instanceof Expr\ShellExec => 'runs a command',
                $node instanceof Stmt\Global_ => 'keeps a global state',
                $node instanceof Stmt\Static_ && ! in_array($path, self::MEMOS, true) => 'keeps a global state',
                $node instanceof Stmt\Property && $node->isStatic() => 'keeps a global state',
                $node instanceof Expr\Variable
                    && is_string($node->name)
                    && preg_match('/^(?:GLOBALS|_[A-Z]+)$/', $node->name) === 1 => "reads \${$node->name}",
                default => null,
            };
            $what === null || $faults[] = $what;
        }
        if ($node instanceof Expr\New_ && count($node->args) > self::MOST_ARGUMENTS) {
            foreach ($node->args as $argument) {
                if ($argument instanceof Node\Arg && $argument->name === null && ! $argument->unpack) {
                    return [...$faults, 'builds something of more than '.self::MOST_ARGUMENTS.' parts without naming them'];
                }
            }
        }

        return $faults;
    }

    /** @return list<string> */
    private static function ofClass(string $path, string $class): array
    {
        if (! str_contains($class, '\\')) { // a class or function or constant of PHP itself
            $exists = class_exists($class) || interface_exists($class) || enum_exists($class);

            return str_starts_with($path, 'core/src/') && $exists && (new ReflectionClass($class))->isInternal() && preg_match(self::PHP, $class) !== 1
                ? ["uses {$class}"]
                : [];
        }
        if (str_starts_with($path, 'core/src/')) {
            return self::allowedInCore($path, $class) ? [] : ["uses {$class}"];
        }
        $faults = [];
        $floor = self::floor(self::APP, $path, 'app/');
        $other = self::floor(self::APP, str_replace('\\', '/', $class), 'App/');
        if ($floor !== null && $other !== null && $other > $floor) {
            $faults[] = "uses {$class}, which stands above it";
        }
        if ($floor !== null
            && ! preg_match('#^app/(?:Http|Console|Providers)/#', $path)
            && ! preg_match('#^app/Reading/Pages/Page.php$#', $path)
            && preg_match(self::WEB, $class) === 1) {
            $faults[] = "knows the web: {$class}";
        }
        if (str_starts_with($path, 'app/Models/') && str_starts_with($class, 'Yposta\\Core\\')) {
            $faults[] = "plans in a model: {$class}";
        }
        if (preg_match('#^app/(?:Http|Console|Reading/Shapes|Reading/Pages)/#', $path) && str_starts_with($class, 'Yposta\\Core\\')
            && preg_match(self::VALUES, $class) !== 1 && ! enum_exists($class) && ! str_starts_with($path, 'app/Console/')) {
            $faults[] = "uses {$class}: the core is reached through actions and what reads";
        }

        return $faults;
    }

    private static function allowedInCore(string $path, string $class): bool
    {
        if (str_starts_with($class, 'Brick\\Math\\')) {
            return true;
        }
        $own = self::floor(self::CORE, $path, 'core/src/');
        $other = self::floor(self::CORE, str_replace('\\', '/', $class), 'Yposta/Core/');
        $sameFolder = dirname(substr($path, strlen('core/src/'))) === dirname(str_replace(
            '\\',
            '/',
            substr($class, strlen('Yposta\\Core\\')),
        ));

        return $own !== null && $other !== null && ($other < $own || $sameFolder);
    }

    /**
     * The floor of a file or class; null where it is none of the house.
     *
     * @param  list<list<string>>  $floors
     */
    private static function floor(array $floors, string $path, string $root): ?int
    {
        if (! str_starts_with($path, $root)) {
            return null;
        }
        $folder = explode('/', preg_replace('/\.php$/', '', substr($path, strlen($root))) ?? '')[0];
        foreach ($floors as $height => $rooms) {
            if (in_array($folder, $rooms, true)) {
                return $height;
            }
        }

        return PHP_INT_MAX; // a folder that no floor has is above all, so that it is seen
    }
}
