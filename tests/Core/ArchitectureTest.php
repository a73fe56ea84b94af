<?php

declare(strict_types=1);

use Tests\Architecture\House;

/** @return array<string, string> source by path, of everything in the house */
function house(): array
{
    $files = [];
    $root = dirname(__DIR__, 2);
    foreach (['core/src', 'app'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(
            "{$root}/{$folder}",
            FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            $files[substr((string) $file, strlen($root) + 1)] = (string) file_get_contents((string) $file);
        }
    }

    return $files;
}

it('stands as docs/architecture.md draws it', function () {
    $faults = [];
    foreach (house() as $path => $source) {
        array_push($faults, ...House::faults($path, $source));
    }

    expect($faults)->toBe([]);
});

it('has no two classes of one name', function () {
    $names = array_map(fn (string $path) => basename($path, '.php'), array_keys(house()));

    expect(array_keys(array_filter(array_count_values($names), fn (int $count) => $count > 1)))->toBe([]);
});

it('has every folder on a floor', function () {
    $folders = fn (string $root) => array_map(basename(...), glob(dirname(__DIR__, 2)."/{$root}/*", GLOB_ONLYDIR) ?: []);

    expect(array_diff($folders('core/src'), array_merge(...House::CORE)))->toBe([])
        ->and(array_diff($folders('app'), array_merge(...House::APP)))->toBe([]);
});

it('is drawn on the page of architecture, floor by floor', function () {
    $page = (string) file_get_contents(dirname(__DIR__, 2).'/docs/architecture.md');
    foreach ([...House::CORE, ...House::APP] as $rooms) {
        expect($page)->toContain(implode(' ', array_map(fn (string $room) => "{$room}/", array_diff($rooms, ['Planner']))));
    }
});

/** A file with a planted fault: a method body, or a whole class. */
function planted(string $path, string $body, string $uses = ''): array
{
    $namespace = str_replace('/', '\\', dirname(str_replace(['core/src', 'app/'], ['Yposta/Core', 'App/'], $path)));

    return House::faults(
        $path,
        "<?php\n\ndeclare(strict_types=1);\n\nnamespace {$namespace};\n\n{$uses}\n\nfinal class Planted\n{\n    public function does(): void\n    {\n        {$body}\n    }\n}\n",
    );
}

it('finds nothing in a file that keeps the rules', function () {
    expect(planted(
        'core/src/Netting/Planted.php',
        '$day = gmdate("Y-m-d", 86400); throw new InvalidArgumentException($day);',
        'use InvalidArgumentException; use Yposta\Core\Run\Peg;',
    ))->toBe([])
        ->and(planted(
            'app/Http/Controllers/Planted.php',
            'request();',
            'use Yposta\Core\Calendar\Day; use App\Reading\StoredPlan;',
        ))->toBe([]);
});

it('finds what the core must not do', function (string $body) {
    expect(planted('core/src/Netting/Planted.php', $body))->not->toBe([]);
})->with([
    'the clock' => '$now = time();', 'the clock, by another name' => '$now = \hrtime(true);',
    'the clock in a format' => '$now = gmdate("Y");', 'a date of now' => '$now = new \DateTimeImmutable;',
    'a file' => '$text = file_get_contents("plan.csv");', 'a file that is opened' => '$file = fopen("plan.csv", "r");',
    'the environment' => '$home = getenv("HOME");',
    'the environment as an array' => '$home = $_ENV["HOME"];', 'a database' => '$database = new \PDO("sqlite::memory:");',
    'the request' => '$request = request();',
    'the framework' => '$config = config("app.name");', 'a facade' => '\Illuminate\Support\Facades\DB::table("items");',
    'the application' => '$plan = new \App\Reading\StoredPlan;',
    'chance' => '$n = random_int(1, 6);', 'output' => 'echo "planned";', 'state' => 'static $seen = [];',
    'another file' => 'require "more.php";',
]);

it('finds an upward import in every folder of the core', function (int $height) {
    foreach (House::CORE[$height] as $room) {
        foreach (array_merge(...array_slice(House::CORE, $height + 1)) as $above) {
            $class = $above === 'Planner' ? 'Yposta\Core\Planner' : "Yposta\\Core\\{$above}\\Anything";
            $path = $room === 'Planner' ? 'core/src/Planner.php' : "core/src/{$room}/Planted.php";
            expect(planted($path, "\$x = new \\{$class};"))->toHaveCount(1, "{$room} may not use {$above}");
        }
    }
})->with(range(0, count(House::CORE) - 2));

it('finds an import that only a comment uses', function () {
    expect(planted('core/src/Run/Planted.php', '', 'use Yposta\Core\Plan\Plan;'))->toHaveCount(1)
        ->and(planted('app/Planning/Planted.php', '', 'use App\Http\SharedProps;'))->not->toBe([]);
});

it('finds an upward import in every folder of the application', function (int $height) {
    foreach (array_merge(...array_slice(House::APP, $height + 1)) as $above) {
        expect(planted('app/'.House::APP[$height][0].'/Planted.php', "\$x = new \\App\\{$above}\\Anything;"))->not->toBe([]);
    }
})->with(range(0, count(House::APP) - 2));

it('finds what a room of the application must not do', function (string $path, string $body) {
    expect(planted($path, $body))->toHaveCount(1);
})->with([
    'a core service in a controller' => ['app/Http/Controllers/Planted.php', '$plan = new \Yposta\Core\Planner;'],
    'netting in a controller' => ['app/Http/Controllers/Planted.php', '$netting = new \Yposta\Core\Netting\Netting;'],
    'planning in a model' => ['app/Models/Planted.php', '$plan = new \Yposta\Core\Planner;'],
    'the request in an action' => ['app/Actions/Planted.php', '$request = request();'],
    'the request in the bridge' => ['app/Planning/Planted.php', '$request = \Illuminate\Http\Request::capture();'],
    'the request in what reads' => ['app/Reading/Planted.php', '$request = request();'],
    'more than six parts without names' => ['app/Reading/Planted.php', '$row = new \App\Reading\Shapes\Something(1, 2, 3, 4, 5, 6, 7);'],
    'a class that computes in a shape' => ['app/Reading/Shapes/Planted.php', '$plan = new \Yposta\Core\Plan\Plan;'],
]);
