<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\TrustedHosts;
use App\Jobs\DeadRuns;
use App\Outgoing\InsideTransport;
use App\Planning\LiveNetwork;
use App\Support\Health;
use App\Support\Languages;
use App\Support\NumberStyle;
use App\Support\SqliteConnection;
use App\Trials\LivePlan;
use App\Trials\PlanClient;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Structure\LoopCheck;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor(
            'sqlite',
            fn ($pdo, string $database, string $prefix, array $config) => new SqliteConnection($pdo, $database, $prefix, $config),
        );
        $this->app->singleton(Languages::class);
        $this->app->scoped(LivePlan::class); // one plan for all that a request tries
        $this->app->scoped(LiveNetwork::class);
        $this->app->scoped(NumberStyle::class);
        $this->app->bind(BundleReader::class, fn () => new BundleReader(new LoopCheck));
        $this->app->when(PlanClient::class)->needs('$socket')->give(fn () => config('yposta.plan_socket'));
    }

    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        Event::listen(RequestHandled::class, fn () => $this->app->make(LiveNetwork::class)->forget());
        Queue::looping(function (): void {
            Health::workerIsHere();
            DeadRuns::look();
        });
        Mail::extend('inside', fn () => new InsideTransport);
        TrustProxies::at(TrustedHosts::listed(config('yposta.proxies')));
        RateLimiter::for('password', fn (Request $request) => Limit::perMinute(5)->by((string) $request->user()?->getAuthIdentifier()));
        RateLimiter::for('feed', fn (Request $request) => Limit::perMinute(30)->by($request->ip()));
        RateLimiter::for('sign-in', fn (Request $request) => [
            Limit::perMinute(20)->by($request->ip()),
            Limit::perMinute(5)->by(Str::lower(is_string($request->input('email')) ? $request->input('email') : '').'|'.$request->ip()),
        ]);
    }
}
