<?php

declare(strict_types=1);

use App\Http\Controllers\HealthController;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\ReadableInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Refusals;
use App\Http\TrustedHosts;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Support\Facades\Route;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        commands: __DIR__.'/../routes/console.php',
        then: fn () => Route::get('/up', HealthController::class),
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->web(prepend: [ReadableInput::class]);
        $middleware->append(SecurityHeaders::class); // also on what is refused before it gets to a page
        $middleware->trustHosts(at: fn (): array => TrustedHosts::patterns(), subdomains: false);
        $middleware->web(append: [HandleInertiaRequests::class]);
        $middleware->authenticateSessions(); // a new password ends the other sessions
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(fn (Exceptions $exceptions) => Refusals::register($exceptions))
    ->create();
