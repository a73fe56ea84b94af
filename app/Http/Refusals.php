<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Refused;
use App\Planning\Trials\CannotTry;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/** How a refusal reaches the person: as JSON where the page asked in the background, else with the sentence on a page. */
final class Refusals
{
    /** Troubles that have a page of their own. */
    private const PAGES = [403, 404, 419, 429, 500, 503];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([Refused::class, CannotTry::class]);
        $exceptions->render(function (Refused|CannotTry $refused, Request $request): JsonResponse|RedirectResponse {
            if ($request->expectsJson()) {
                return response()->json(['message' => $refused->getMessage(), 'reason' => $refused->reason, 'details' => $refused instanceof Refused ? $refused->details : []], 422);
            }

            return back()->with('trouble', $refused->getMessage());
        });
        $exceptions->respond(function (Response $response, Throwable $trouble, Request $request): Response {
            $status = $response->getStatusCode();
            if ($request->expectsJson() || config('app.debug') === true || ! in_array($status, self::PAGES, true)) {
                return $response;
            }

            return Inertia::render('Trouble', ['status' => $status])->toResponse($request)->setStatusCode($status);
        });
    }
}
