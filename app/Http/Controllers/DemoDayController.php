<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Outside\WorldDay;
use App\Reading\Shapes\DayPassed;
use App\Support\Idempotency;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Lets a day pass in the demo, for its administrator. */
final class DemoDayController extends Controller
{
    private const SEED = 1;

    public function __invoke(Request $request, WorldDay $world): JsonResponse
    {
        abort_unless(config('yposta.demo') === true, 404);
        $user = $this->user($request);
        abort_unless($user->hasRole(Roles::ADMINISTRATOR), 403);
        $given = $request->validate(['key' => 'required|string|min:16|max:64']);

        return response()->json(Idempotency::once($given['key'], 'demo day', $user, function () use ($world): array {
            $passed = $world(self::SEED);

            return get_object_vars(new DayPassed($passed['day'], $passed['said']));
        }));
    }
}
