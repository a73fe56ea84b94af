<?php

declare(strict_types=1);

namespace App\Providers;

use App\Planning\Trials\Ask;
use App\Planning\Trials\Desk;
use App\Support\SqliteConnection;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('sqlite', fn ($pdo, string $database, string $prefix, array $config) => new SqliteConnection($pdo, $database, $prefix, $config));
        $this->app->scoped(Desk::class); // one plan for all that a request tries
        $this->app->when(Ask::class)->needs('$socket')->give(fn () => config('yposta.desk'));
    }

    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        RateLimiter::for('sign-in', fn (Request $request) => [
            Limit::perMinute(20)->by($request->ip()),
            Limit::perMinute(5)->by(Str::lower($request->string('email')->toString()).'|'.$request->ip()),
        ]);
    }
}
