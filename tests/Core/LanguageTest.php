<?php

declare(strict_types=1);

use App\Reading\MasterData;
use App\Reading\Shapes\ChaseReason;
use App\Reading\Shapes\CompanyValues;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\WorkCentreKind;
use Yposta\Core\Remedy\RemedyKind;
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Run\MessageCode;

/** The source of all files below a folder. */
function sourceBelow(string $folder, string $ending): string
{
    $source = '';
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/{$folder}")) as $file) {
        $source .= preg_match("/\\.{$ending}$/", (string) $file) === 1 ? file_get_contents((string) $file)."\n" : '';
    }

    return $source;
}

/** @return array<string, string> sentence by its code, of the files for codes */
function sentencesByCode(): array
{
    $flatten = function (array $sentences, string $before) use (&$flatten): array {
        $flat = [];
        foreach ($sentences as $name => $one) {
            $flat = is_array($one) ? [...$flat, ...$flatten($one, "{$before}{$name}.")] : [...$flat, $before.$name => $one];
        }

        return $flat;
    };
    $found = [];
    foreach (glob(dirname(__DIR__, 2).'/lang/en/*.php') ?: [] as $file) {
        $found = [...$found, ...$flatten(require $file, basename($file, '.php').'.')];
    }

    return $found;
}

/** @return list<string> names of the columns that lists are exported with */
function sheetColumns(): array
{
    preg_match_all('/\'([a-z_]+)\' => \'(?:text|number|date)\'/', sourceBelow('app/Reading', 'php'), $found);

    return array_values(array_unique($found[1]));
}

/**
 * Codes that are put together when they are said, with every end that they can have.
 *
 * @return array<string, list<int|string>> ends by beginning
 */
function codesPutTogether(): array
{
    $values = fn (string $enum) => array_map(fn (BackedEnum $case) => $case->value, $enum::cases());
    $kinds = $values(OrderKind::class);
    $snake = fn (string $text) => strtolower((string) preg_replace('/(?<!^)[A-Z]/', '_$0', $text));

    return [
        'core.weekday.' => range(1, 7),
        'journal.forecast_source.' => ['forecast', 'year', 'ordered'],
        'refused.forecast.no_source.' => ['forecast', 'year', 'ordered'],
        'core.month.' => range(1, 12),
        'core.bucket.' => $values(BucketSize::class),
        'core.message.' => [...$values(MessageCode::class), 'below_zero'],
        'core.hold_up.' => [...$values(HoldUpReason::class), 'transfer_time'],
        'core.remedy.' => [
            'pull_in.letter',
            'pull_in.own',
            'hurry.letter',
            ...array_merge(...array_map(fn (string $kind) => ["{$kind}.title", "{$kind}.note"], $values(RemedyKind::class))),
        ],
        'core.row.no_supply.' => ['problem', 'remedy'],
        'core.row.no_demand.' => ['problem', 'remedy'],
        'core.row.unknown_' => ['activity.problem', 'activity.remedy', 'supply.problem', 'supply.remedy', 'demand.problem', 'demand.remedy'],
        'core.fit.nothing_free' => ['', '_held'],
        'core.fit.only_so_much_free' => ['', '_held'],
        'changes.parameters.' => [
            'horizonEnd', 'forecasts', 'no_forecasts', 'sites', 'no_safety_stock', 'no_calendars', 'no_consume', 'schedule', 'no_schedule', 'families',
            'items', 'soldOnly', 'demand', 'supply', 'pegByPriority',
        ],
        'messages.kind.' => $values(MessageCode::class),
        'messages.count.' => ['overdue', 'bring_in', 'push_out', 'cancel'],
        'messages.apply.' => ['bring_in', 'push_out', 'cancel'],
        'messages.reason.' => $values(HoldUpReason::class),
        'supply.' => $kinds,
        'journal.made.' => [...$kinds, 'requests', 1, 2, 3],
        'letters.order.' => ['first.subject', 'first.body', 'again.subject', 'again.body', 'cancelled.subject', 'cancelled.body'],
        'letters.chase.' => [...$values(ChaseReason::class), 'subject', 'body', 'line'],
        'refused.confirmation.' => [
            'column', 'date', 'empty', 'encoding', 'entities', 'no_line', 'no_order', 'other_document', 'quantity', 'several', 'too_large', 'too_many',
            'twice', 'unknown', 'xml',
        ],
        'journal.to_make.' => [1, 2, 3],
        'refused.convert.kind.' => $kinds,
        'changes.put_order_' => $kinds,
        'changes.lot_rule.' => $values(LotRule::class),
        'journal.settings.' => [...array_keys(get_class_vars(CompanyValues::class)), 'yes', 'comma', 'point', 'no'],
        'sheets.titles.' => ['proposals', 'messages', 'plan', 'sales', 'orders', 'journal', 'shortages', 'reservations'],
        'sheets.columns.' => sheetColumns(),
        'core.kinds.' => array_map(
            fn (string $class) => basename(Declaration::of($class)->file->name, '.csv'),
            Network::classes(),
        ),
        'data.kinds.' => array_merge(...array_map(
            fn (string $kind) => ["{$kind}.title", "{$kind}.one", "{$kind}.many"], MasterData::kinds(),
        )),
        'data.columns.' => array_values(array_unique(array_merge(...array_map(
            fn (string $class) => Declaration::of($class)->header(), array_values(MasterData::KINDS),
        )))),
        'data.choices.' => array_merge($kinds, ...array_map(
            $values, [LotRule::class, Basis::class, WorkCentreKind::class, BucketSize::class, OrderStatus::class],
        )),
        'data.steps.' => array_merge(...array_map(
            fn (string $step) => ["{$step}.title", "{$step}.why"],
            ['days', 'demand', 'items', 'planning', 'sites', 'stock', 'structures', 'suppliers'],
        )),
        'data.changed.counted.' => ['new', 'changed', 'gone'],
        'data.groups.' => ['demand', 'items', 'suppliers', 'work', 'time'],
        'thread.step.' => [
            'stock',
            ...array_map(fn (string $kind) => "ordered_{$kind}", $kinds),
            ...array_map(fn (string $kind) => "proposed_{$kind}", $kinds),
        ],
    ];
}

it('has words for every code that is put together when it is said, and no others there', function (string $beginning, array $ends) {
    $known = array_filter(array_keys(sentencesByCode()), fn (string $code) => str_starts_with($code, $beginning));
    $all = array_map(fn (int|string $end) => $beginning.$end, $ends);

    expect(array_values(array_diff($all, $known)))->toBe([], 'codes without words')
        ->and(array_values(array_diff($known, $all)))->toBe([], 'words that nothing says');
})->with(array_map(fn (string $beginning, array $ends) => [$beginning, $ends], array_keys(codesPutTogether()), codesPutTogether()));

it('has words for every code that is written in the code', function () {
    $known = sentencesByCode();
    $core = sourceBelow('core/src', 'php');
    $app = sourceBelow('app', 'php');
    $codes = [];
    $take = function (string $pattern, string $source, string ...$shapes) use (&$codes): void {
        preg_match_all($pattern, $source, $found);
        foreach ($found[1] as $code) {
            foreach ($shapes as $shape) {
                $codes[] = sprintf($shape, $code);
            }
        }
    };
    $take('/\bFault::(?:of|mild)\(\'(\w+)\'/', $core, 'core.row.%s.problem', 'core.row.%s.remedy');
    $take('/\bFault::remedyOf\(\'(\w+)\'/', $core, 'core.row.%s.remedy');
    $take('/\bDoesNotFit::\w+\(\'(\w+)\'/', $core, 'core.fit.%s');
    $take('/\bnew Phrase\(\'([a-z_.]+[a-z_])\'/', $core, 'core.%s');
    $take('/\bnew Phrase\(\'((?:refused|journal)\.[a-z_.]*[a-z_])\'/', $app, '%s');
    $take('/\btrans(?:_choice)?\(\'((?:changes|data|explain|messages|supply|thread|refused|journal)\.[a-zA-Z_.]+)\'/', $app, '%s');
    $take('/\bRefused::\w+\(\'([a-z_.]+)\'/', $app, 'refused.%s');

    expect(count($codes))->toBeGreaterThan(150)
        ->and(array_values(array_unique(array_filter(
            $codes,
            fn (string $code) => ! isset($known[$code]) && ! in_array($code, ['changes.fields', 'data.choices'], true),
        ))))->toBe([]);
});

it('says every sentence that it has for a code', function () {
    $source = sourceBelow('core/src', 'php').sourceBelow('app', 'php');
    $put = codesPutTogether();
    $unsaid = array_filter(array_keys(sentencesByCode()), function (string $code) use ($source, $put): bool {
        foreach ($put as $beginning => $ends) {
            if (str_starts_with($code, $beginning)) {
                return false;
            }
        }
        $parts = explode('.', $code);
        $names = match (true) {
            str_starts_with($code, 'core.row.') => [$parts[2], implode('.', array_slice($parts, 1))],
            str_starts_with($code, 'core.quantity.'), str_starts_with($code, 'core.fit.') => [
                $parts[2],
                implode('.', array_slice($parts, 1)),
            ],
            str_starts_with($code, 'core.what.') => [],
            str_starts_with($code, 'changes.fields.') => [$parts[2]],
            str_starts_with($code, 'changes.'), str_starts_with($code, 'explain.') => [
                $code,
                implode('.', array_slice($parts, 1)),
                (string) end($parts),
            ],
            default => [$code, implode('.', array_slice($parts, 1))],
        };
        foreach ($names as $name) {
            if (str_contains($source, "'{$name}'") || str_contains($source, "\"{$name}\"") || str_contains($source, "\${$name}")) {
                return false;
            }
        }

        return $names !== [];
    });

    expect(array_values($unsaid))->toBe([]);
});

it('has a name for every kind of row that a message speaks of', function () {
    $known = sentencesByCode();
    $missing = [];
    foreach (Network::classes() as $class) {
        $name = strtolower((string) preg_replace('/(?<!^)[A-Z]/', '_$0', substr((string) strrchr($class, '\\'), 1)));
        preg_match('/ReferenceTo\(\\\\?'.preg_quote(substr((string) strrchr($class, '\\'), 1), '/').'::class/', sourceBelow('core/src/Network', 'php')) === 1
            && ! isset($known["core.what.{$name}"])
            && $missing[] = $name;
    }

    expect($missing)->toBe([]);
});

it('has every sentence of the interface in the language file, and says all that stand there', function () {
    $known = array_keys((array) json_decode((string) file_get_contents(dirname(__DIR__, 2).'/lang/en.json'), true));
    $typescript = sourceBelow('resources/js', 'tsx?');
    $php = sourceBelow('app', 'php').sourceBelow('database/seeders', 'php').sourceBelow('resources/views', 'php');
    preg_match_all('/\btrans(?:_choice)?\(\'((?:[^\'\\\\]|\\\\.)+)\'/', $php, $literal);
    preg_match_all('/\btrans\([^()\']+\? \'((?:[^\'\\\\]|\\\\.)+)\' : \'((?:[^\'\\\\]|\\\\.)+)\'/', $php, $either);
    $said = array_map(stripcslashes(...), [...$literal[1], ...$either[1], ...$either[2]]);
    $said = array_filter($said, fn (string $key) => preg_match('/^(?:core|[a-z]+\.[a-zA-Z_.]*)$/', $key) !== 1);

    expect(array_values(array_unique(array_diff($said, $known))))->toBe([], 'sentences without words');
    $unsaid = array_filter($known, function (string $key) use ($typescript, $php): bool {
        $quoted = "'".addcslashes($key, "'\\")."'";

        return ! str_contains($typescript, $quoted) && ! str_contains($typescript, "\"{$key}\"") && ! str_contains($php, $quoted);
    });
    expect(array_values($unsaid))->toBe([], 'words that nothing says');
});

it('fills every placeholder alike in every sentence', function () {
    foreach (sentencesByCode() as $code => $sentence) {
        expect(preg_match('/\{\w+\}(?!\s)/', (string) preg_replace('/\{\d+\}|\[\d+,(?:\d+|\*)\]/', '', $sentence)))->toBe(0, $code);
    }
    foreach ((array) json_decode((string) file_get_contents(dirname(__DIR__, 2).'/lang/en.json'), true) as $key => $sentence) {
        preg_match_all('/:([a-z]\w*)/i', (string) $key, $wanted);
        preg_match_all('/:([a-z]\w*)/i', (string) $sentence, $filled);
        expect(array_unique($filled[1]))->toEqualCanonicalizing(array_unique($wanted[1]), (string) $key);
    }
});
