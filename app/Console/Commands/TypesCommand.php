<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\Types\TypeScript;
use App\Http\SharedProps;
use Illuminate\Console\Command;

/** Writes the types of the front end from the classes that are sent to it. */
final class TypesCommand extends Command
{
    protected $signature = 'yposta:types {--check : only say whether what is written is current}';

    protected $description = 'Write resources/js/lib/shapes.ts from the classes that are sent to the front end';

    public function handle(TypeScript $types): int
    {
        $file = resource_path('js/lib/shapes.ts');
        $text = "// Written by `php artisan yposta:types` from the classes that are sent; change those.\n\n"
            .$types->declare(self::sent(), ['Shared' => SharedProps::class]);
        if ((string) file_get_contents($file) === $text) {
            return self::SUCCESS;
        }
        if ($this->option('check') === true) {
            $this->error('resources/js/lib/shapes.ts does not say what is sent. Type: php artisan yposta:types');

            return self::FAILURE;
        }
        file_put_contents($file, $text);

        return self::SUCCESS;
    }

    /** @return list<class-string> */
    private static function sent(): array
    {
        $classes = [];
        foreach (['Shapes', 'Pages'] as $folder) {
            foreach (glob(app_path("Reading/{$folder}/*.php")) ?: [] as $file) {
                $class = "App\\Reading\\{$folder}\\".basename($file, '.php');
                if (class_exists($class) && ! (new \ReflectionClass($class))->isAbstract()) {
                    $classes[] = $class;
                }
            }
        }

        return $classes;
    }
}
