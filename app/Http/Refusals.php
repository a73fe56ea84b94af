<?php

declare(strict_types=1);

namespace App\Http;

use App\Reading\Pages\TroublePage;
use App\Support\Refused;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/** How a refusal reaches the person: as JSON where the page asked in the background, else with the sentence on a page. */
final class Refusals
{
    /** Troubles that have a page of their own. */
    private const PAGES = [403, 404, 419, 429, 500, 503];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([Refused::class]);
        $exceptions->render(function (Refused $refused, Request $request): JsonResponse|RedirectResponse {
            if ($request->expectsJson()) {
                return response()->json(
                    ['message' => $refused->sentence(), 'reason' => $refused->reason, 'details' => $refused->details],
                    422,
                );
            }

            return back()->with('trouble', $refused->sentence());
        });
        $exceptions->respond(function (Response $response, Throwable $trouble, Request $request): Response {
            $status = $response->getStatusCode();
            if ($request->expectsJson() || config('app.debug') === true || ! in_array($status, self::PAGES, true)) {
                return $response;
            }

            return (new TroublePage($status))->show()->toResponse($request)->setStatusCode($status);
        });
    }
}
