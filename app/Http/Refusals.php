<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Refused;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** How a refusal reaches the person: as JSON where the page asked in the background, else back where they were with the sentence. */
final class Refusals
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport(Refused::class);
        $exceptions->render(function (Refused $refused, Request $request): JsonResponse|RedirectResponse {
            if ($request->expectsJson()) {
                return response()->json(['message' => $refused->getMessage(), 'reason' => $refused->reason, 'details' => $refused->details], 422);
            }

            return back()->with('trouble', $refused->getMessage());
        });
    }
}
