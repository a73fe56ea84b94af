<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\Read\Figures;
use App\Planning\Read\MissingList;
use App\Planning\Read\TodayView;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

final class TodayController extends Controller
{
    public function __invoke(Request $request, NetworkReader $reader): Response
    {
        $plan = $this->plan();
        if ($plan === null) {
            return Inertia::render('Today', ['planned' => false, 'lines' => [], 'days' => [], 'figures' => [], 'reasons' => [], 'totals' => null, 'missing' => MissingList::open()]);
        }
        $site = $this->site($request);
        $today = new TodayView($plan);
        $summary = $plan->run->summary ?? [];

        return Inertia::render('Today', [
            'planned' => true,
            'missing' => MissingList::open(),
            'lines' => $today->lines($site),
            'days' => $today->days($site, $reader->calendarOf($site)),
            'figures' => Figures::of($plan->run, $plan->run->study_id === null ? Figures::before($plan->run) : Run::live()),
            'reasons' => $today->lateByReason(),
            'totals' => ['salesLines' => $summary['salesLines'] ?? 0, 'points' => $summary['points'] ?? 0, 'horizonEnd' => substr($plan->run->horizon_end, 0, 10)],
        ]);
    }
}
