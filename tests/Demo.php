<?php

declare(strict_types=1);

namespace Tests;

use App\Actions\ImportBundle;
use App\Actions\StartRun;
use App\Models\Run;
use App\Models\User;
use Database\Seeders\DemoSeeder;

/** Puts companies into the test database. */
final class Demo
{
    /** The demo company, planned. */
    public static function planned(): Run
    {
        return self::of(dirname(__DIR__).'/database/demo');
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
