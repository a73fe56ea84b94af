<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepSchedule;
use App\Actions\StartSchedule;
use App\Actions\StopSchedule;
use App\Jobs\DeadSchedules;
use App\Models\AskedSchedule;
use App\Models\Run;
use App\Reading\Pages\SchedulePage;
use App\Reading\ScheduleView;
use App\Reading\Shapes\CodeAndName;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Inertia\Response;
use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleDirection;
use Yposta\Core\Scheduling\ScheduleRule;

/** Schedules the shop: asked for, watched, stopped, and kept or dropped by those who make production orders. */
final class ScheduleController extends Controller
{
    private const MOST_DAYS = 3_650;

    private const MOST_STEPS = 1_000_000;

    private const MOST_SECONDS = 1_500;

    public function index(): Response
    {
        DeadSchedules::look();
        $last = ScheduleView::last();

        return (new SchedulePage(
            planned: Run::live() !== null,
            asked: ScheduleView::asked($last),
            centres: array_values(DB::table('work_centres')->orderBy('code')->get(['code', 'name'])
                ->map(fn ($row) => new CodeAndName($row->code, $row->name))->all()),
            state: $last === null ? null : ScheduleView::of($last),
            standing: DB::table('order_operations')->whereNotNull('start_instant')->exists(),
        ))->show();
    }

    public function store(Request $request, StartSchedule $start): JsonResponse
    {
        $this->may($request);
        $given = $request->validate([
            'rule' => ['required', Rule::enum(ScheduleRule::class)], 'direction' => ['required', Rule::enum(ScheduleDirection::class)],
            'aim' => ['required', Rule::enum(ScheduleAim::class)], 'steps' => 'required|integer|min:0|max:'.self::MOST_STEPS,
            'seconds' => 'required|integer|min:1|max:'.self::MOST_SECONDS, 'frozenDays' => 'required|integer|min:0|max:'.self::MOST_DAYS,
            'proposalsDays' => 'required|integer|min:0|max:'.self::MOST_DAYS, 'setupWindow' => 'required|integer|min:0|max:'.self::MOST_DAYS,
            'centres' => 'present|nullable|array|max:1000', 'centres.*' => 'string|max:190', 'orders' => 'present|nullable|array|max:1000',
            'orders.*' => 'string|max:190',
        ]);
        $numbers = array_map(intval(...), array_intersect_key($given, array_flip(['steps', 'seconds', 'frozenDays', 'proposalsDays', 'setupWindow'])));
        $schedule = $start([
            'rule' => (string) $given['rule'], 'direction' => (string) $given['direction'], 'aim' => (string) $given['aim'],
            'steps' => $numbers['steps'], 'seconds' => $numbers['seconds'], 'frozenDays' => $numbers['frozenDays'],
            'proposalsDays' => $numbers['proposalsDays'], 'setupWindow' => $numbers['setupWindow'],
            'centres' => self::some($given['centres']), 'orders' => self::some($given['orders']),
        ], $this->user($request));

        return response()->json(ScheduleView::of($schedule));
    }

    public function show(int $id): JsonResponse
    {
        DeadSchedules::look();

        return response()->json(ScheduleView::of(AskedSchedule::query()->with('user')->findOrFail($id)));
    }

    /** Ends the improvement and keeps the best so far, or nothing. */
    public function stop(Request $request, StopSchedule $stop, int $id): JsonResponse
    {
        $this->may($request);
        $keeps = $request->validate(['keeps' => 'required|boolean'])['keeps'];

        return response()->json(ScheduleView::of($stop($id, filter_var($keeps, FILTER_VALIDATE_BOOL))));
    }

    public function keep(Request $request, KeepSchedule $keep, int $id): JsonResponse
    {
        $this->may($request);
        $key = $request->validate(['key' => 'required|string|min:16|max:64'])['key'];

        return response()->json($keep($id, $key, $this->user($request)));
    }

    /** Drops a schedule that was made; orders stand as they stood. */
    public function drop(Request $request, StopSchedule $stop, int $id): JsonResponse
    {
        $this->may($request);

        return response()->json(ScheduleView::of($stop->drop($id)));
    }

    /**
     * @param  array<mixed>|null  $codes
     * @return list<string>|null
     */
    private static function some(?array $codes): ?array
    {
        return $codes === null || $codes === [] ? null : array_values(array_unique(array_filter($codes, is_string(...))));
    }

    private function may(Request $request): void
    {
        abort_unless($this->user($request)->can(Roles::MAKE), 403);
    }
}
