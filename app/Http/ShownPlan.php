<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Run;
use App\Models\Study;
use Illuminate\Http\Request;

/** Which plan a person looks at: the live one, or the result of a study until she goes back. */
final class ShownPlan
{
    private const KEY = 'study';

    private const FOUND = 'shown-run';

    public static function run(Request $request): ?Run
    {
        if ($request->attributes->has(self::FOUND)) {
            return $request->attributes->get(self::FOUND);
        }
        $run = self::study($request)?->result() ?? Run::live();
        $request->isMethodSafe() && $request->attributes->set(self::FOUND, $run); // all of an answer speaks of one plan

        return $run;
    }

    public static function study(Request $request): ?Study
    {
        $id = $request->hasSession() ? $request->session()->get(self::KEY) : null;
        $study = is_int($id) ? Study::query()->find($id) : null;

        return $study?->result() === null ? null : $study;
    }

    public static function show(Request $request, ?Study $study): void
    {
        $request->session()->put(self::KEY, $study?->id);
    }
}
