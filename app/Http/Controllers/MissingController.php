<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MissMaterial;
use App\Reading\Shapes\Told;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Material that is missed on the floor. */
final class MissingController extends Controller
{
    public function store(Request $request, MissMaterial $miss): JsonResponse
    {
        $given = $request->validate([
            'order' => 'required|string|max:190', 'line' => 'required|string|max:190', 'until' => 'required|date_format:Y-m-d',
            'note' => 'present|nullable|string|max:190',
        ]);

        return response()->json(['id' => $miss(
            $given['order'], $given['line'], $given['until'], (string) $given['note'], $this->user($request),
        )]);
    }

    /** Tries the order no earlier than the day on which the material is there, so that one sees what slips. */
    public function draft(Request $request, MissMaterial $miss, int $id): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::STUDY), 403);
        abort_unless(DB::table('missing_materials')->where('id', $id)->exists(), 404);

        return response()->json(new Told($miss->draft($id, $this->user($request)) ?? ''));
    }

    public function deal(Request $request, MissMaterial $miss, int $id): JsonResponse
    {
        abort_unless(Roles::worksOnPlan($this->user($request)), 403);
        $miss->deal($id, $this->user($request));

        return response()->json(['id' => $id]);
    }
}
