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

    public static function user(string $role): User
    {
        return User::role($role)->firstOrFail();
    }
}
