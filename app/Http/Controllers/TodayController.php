<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\NetworkWriter;
use App\Reading\Figures;
use App\Reading\FirstSteps;
use App\Reading\MissingList;
use App\Reading\Pages\TodayPage;
use App\Reading\TodayDaily;
use App\Reading\TodayView;
use App\Support\Roles;
use Illuminate\Http\Request;
use Inertia\Response;

final class TodayController extends Controller
{
    public function __invoke(Request $request, NetworkReader $reader): Response
    {
        $plan = $this->plan();
        $demo = config('yposta.demo') === true && $this->user($request)->hasRole(Roles::ADMINISTRATOR);
        if ($plan === null) {
            return (new TodayPage(
                planned: false,
                lines: [],
                days: [],
                figures: [],
                reasons: [],
                totals: null,
                missing: MissingList::open(),
                demo: $demo,
                daily: TodayDaily::run(),
                steps: FirstSteps::all(),
                mayLoadDemo: NetworkWriter::isEmpty() && $this->user($request)->can(Roles::SETTINGS),
            ))->show();
        }
        $site = $this->site($request);
        $today = new TodayView($plan);
        $summary = $plan->run->summary ?? [];

        return (new TodayPage(
            planned: true,
            daily: TodayDaily::run(),
            missing: MissingList::open(),
            demo: $demo,
            lines: $today->lines($site),
            days: $today->days($site, $reader->calendarOf($site)),
            figures: Figures::of($plan->run, $plan->run->study_id === null ? Figures::before($plan->run) : Run::live()),
            reasons: $today->lateByReason(),
            totals: [
                'salesLines' => $summary['salesLines'] ?? 0,
                'points' => $summary['points'] ?? 0,
                'horizonEnd' => substr($plan->run->horizon_end, 0, 10),
            ],
        ))->show();
    }
}
