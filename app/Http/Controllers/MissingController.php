<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MissMaterial;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Material that is missed on the floor. */
final class MissingController extends Controller
{
    public function store(Request $request, MissMaterial $miss): JsonResponse
    {
        $given = $request->validate(['order' => 'required|string|max:190', 'line' => 'required|string|max:190', 'until' => 'required|date_format:Y-m-d', 'note' => 'present|nullable|string|max:190']);

        return response()->json(['id' => $miss($given['order'], $given['line'], $given['until'], (string) $given['note'], $this->user($request))]);
    }

    public function deal(Request $request, MissMaterial $miss, int $id): JsonResponse
    {
        abort_if($this->user($request)->getAllPermissions()->isEmpty(), 403);
        $miss->deal($id, $this->user($request));

        return response()->json(['id' => $id]);
    }
}
