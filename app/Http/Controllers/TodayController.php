<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Planning\NetworkReader;
use App\Planning\Read\Figures;
use App\Planning\Read\TodayView;
use App\Planning\Shapes\ChangeRow;
use App\Support\Journal;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use Spatie\Activitylog\Models\Activity;

final class TodayController extends Controller
{
    private const CHANGES_SHOWN = 8;

    public function __invoke(Request $request, NetworkReader $reader): Response
    {
        $plan = $this->plan();
        if ($plan === null) {
            return Inertia::render('Today', ['planned' => false, 'lines' => [], 'days' => [], 'figures' => [], 'reasons' => [], 'changes' => [], 'totals' => null]);
        }
        $site = $this->site($request);
        $today = new TodayView($plan);
        $summary = $plan->run->summary ?? [];

        return Inertia::render('Today', [
            'planned' => true,
            'lines' => $today->lines($site),
            'days' => $today->days($site, $reader->calendarOf($site)),
            'figures' => Figures::of($plan->run, Figures::before($plan->run)),
            'reasons' => $today->lateByReason(),
            'changes' => array_values(Journal::since($plan->run->last_change, self::CHANGES_SHOWN)->map(fn (Activity $change) => new ChangeRow(
                $change->description, (string) ($change->causer->name ?? ''), (string) $change->created_at?->toIso8601String(),
            ))->all()),
            'totals' => ['salesLines' => $summary['salesLines'] ?? 0, 'points' => $summary['points'] ?? 0, 'horizonEnd' => substr($plan->run->horizon_end, 0, 10)],
        ]);
    }
}
