<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;

/** Writes the tables of docs/formats.md from what the row classes declare. */
final class FormatsCommand extends Command
{
    protected $signature = 'yposta:formats {--check : only say whether what is written is current}';

    protected $description = 'Write the tables of docs/formats.md from the declarations of the rows';

    public function handle(): int
    {
        $file = base_path('docs/formats.md');
        $page = (string) file_get_contents($file);
        $new = $page;
        foreach (['files' => self::files(), 'settings' => self::settings()] as $name => $table) {
            $new = (string) preg_replace("/(<!-- {$name} -->\n).*?(<!-- end -->)/s", '${1}'.addcslashes($table, '\\$').'${2}', $new);
        }
        if ($new === $page) {
            return self::SUCCESS;
        }
        if ($this->option('check') === true) {
            $this->error('docs/formats.md does not say what is declared. Type: php artisan yposta:formats');

            return self::FAILURE;
        }
        file_put_contents($file, $new);

        return self::SUCCESS;
    }

    private static function files(): string
    {
        $rows = ["| file | columns (what they hold; default) |\n|---|---|\n"];
        foreach (Network::classes() as $class) {
            $declaration = Declaration::of($class);
            $rows[] = "| `{$declaration->file->name}` | ".self::columns($declaration)." |\n";
        }

        return implode('', $rows);
    }

    private static function settings(): string
    {
        return "| file | keys (what they hold; default) |\n|---|---|\n| `plan.csv` | ".self::columns(Declaration::of(Options::class))." |\n";
    }

    private static function columns(Declaration $declaration): string
    {
        return implode(', ', array_map(fn (DeclaredColumn $column) => $column->describe(), array_values($declaration->columns)));
    }
}
