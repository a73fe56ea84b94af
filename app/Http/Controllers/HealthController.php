<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\Health;
use Illuminate\Http\JsonResponse;

/** Whether the application can be used, and what of it is missing, for whoever watches over it. */
final class HealthController extends Controller
{
    public function __invoke(): JsonResponse
    {
        $missing = Health::missing();

        return response()->json(['missing' => $missing], in_array('database', $missing, true) ? 503 : 200, ['Cache-Control' => 'no-store']);
    }
}
