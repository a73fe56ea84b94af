<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Gives a request that moves a whole company's data two minutes of computing. Only where a request has a process to itself: in a process
 * that goes on behind the answer (a test, a command) the limit would end what has nothing to do with it.
 */
final class MayTakeLong
{
    public const SECONDS = 120;

    public function handle(Request $request, Closure $next): Response
    {
        app()->runningInConsole() || set_time_limit(self::SECONDS);

        return $next($request);
    }
}
