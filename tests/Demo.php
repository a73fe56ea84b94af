<?php

declare(strict_types=1);

namespace Tests;

use App\Actions\ImportBundle;
use App\Actions\StartRun;
use App\Models\Run;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use RuntimeException;
use Spatie\Permission\PermissionRegistrar;

/** Puts companies into the test database. */
final class Demo
{
    /** @var array<string, array<string, list<array<string, mixed>>>> rows of the demo company, planned, by language and table */
    private static array $planned = [];

    /** The demo company, planned: once, and from then on put into the tables as it was then. */
    public static function planned(): Run
    {
        $language = app()->getLocale();
        if (! isset(self::$planned[$language])) {
            $run = self::of(dirname(__DIR__).'/database/demo');
            foreach (array_diff(Schema::getTableListing(schemaQualified: false), ['migrations', 'sqlite_sequence', 'jobs']) as $table) {
                self::$planned[$language][$table] = DB::table($table)->get()->map(fn ($row) => (array) $row)->all();
            }

            return $run;
        }
        $isSqlite = DB::getDriverName() === 'sqlite';
        $isSqlite ? DB::statement('pragma defer_foreign_keys = on') : DB::statement("set session_replication_role = 'replica'");
        foreach (array_keys(self::$planned[$language]) as $table) {
            DB::table($table)->delete(); // all of them first: a row that goes may take rows of other tables along
        }
        foreach (array_filter(self::$planned[$language]) as $table => $rows) {
            $insert = DB::connection()->getPdo()->prepare(sprintf(
                'insert into "%s" ("%s") values (%s)',
                $table,
                implode('","', array_keys($rows[0])),
                implode(',', array_fill(0, count($rows[0]), '?')),
            ));
            foreach ($rows as $row) {
                $insert->execute(array_map(fn (mixed $value) => is_bool($value) ? (int) $value : $value, array_values($row)));
            }
            if (! $isSqlite && isset($rows[0]['id']) && is_int($rows[0]['id'])) { // numbers go on behind those that were put there
                DB::statement("select setval(pg_get_serial_sequence('{$table}', 'id'), (select max(id) from \"{$table}\"))");
            }
        }
        $isSqlite || DB::statement("set session_replication_role = 'origin'");
        app(PermissionRegistrar::class)->forgetCachedPermissions();

        return Run::live() ?? throw new RuntimeException('the demo company has no plan');
    }

    public static function of(string $bundle): Run
    {
        (new DemoSeeder)->run();
        app(ImportBundle::class)($bundle, true, true);

        return app(StartRun::class)([], null);
    }

    /**
     * The files of a case with others in place of some or beside them, by name.
     *
     * @param  array<string, string>  $others
     * @return array<string, string>
     */
    public static function copy(string $case, array $others): array
    {
        $files = [];
        foreach (glob(__DIR__."/cases/{$case}/*.csv") ?: [] as $file) {
            $files[basename($file)] = (string) file_get_contents($file);
        }

        return [...$files, ...$others];
    }

    public static function user(string $role): User
    {
        return User::role($role)->firstOrFail();
    }
}
