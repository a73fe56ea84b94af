<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ApproveJobLines;
use App\Actions\SupplyJob;
use App\Reading\JobView;
use App\Reading\MasterData;
use App\Reading\Pages\JobsPage;
use App\Reading\Shapes\JobRows;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Yposta\Core\Quantity\Quantity;

/** Projects for customers. */
final class JobController extends Controller
{
    private const MOST = 500;

    private const QUANTITY = '/^-?\d{1,13}(\.\d{1,6})?$/D';

    public function index(Request $request): Response
    {
        $view = new JobView($this->plan());
        $text = $request->string('q')->limit(60, '')->toString();
        $job = $request->string('job')->limit(190, '')->toString();
        $detail = $job === '' ? null : $view->one($job);
        abort_if($job !== '' && $detail === null, 404, (string) trans('There is no such job.'));
        $order = $this->order($request, JobView::SORTED);
        [$jobs, $total] = $detail === null ? $view->all($text, $order) : [[], 0];
        $kind = fn (string $name) => MasterData::named($name)->kind();

        return (new JobsPage(
            filter: ['q' => $text, 'job' => $job, 'sort' => (string) $order],
            jobs: $jobs,
            total: $total,
            detail: $detail,
            kinds: ['jobs' => $kind('jobs'), 'job_activities' => $kind('job_activities'), 'job_lines' => $kind('job_lines')],
            currency: Settings::currency(),
        ))->show();
    }

    /** The jobs from a place of their list on. */
    public function rows(Request $request): JsonResponse
    {
        [$rows, $total] = (new JobView($this->plan()))->all(
            $request->string('q')->limit(60, '')->toString(), $this->order($request, JobView::SORTED), $this->place($request),
        );

        return response()->json(new JobRows($rows, $total));
    }

    public function approve(Request $request, ApproveJobLines $approve): JsonResponse
    {
        $by = $this->user($request);
        abort_unless($by->can(Roles::APPROVE), 403);
        $given = $request->validate([
            'job' => 'required|string|max:190', 'lines' => 'nullable|array|min:1|max:'.self::MOST, 'lines.*' => 'required|string|max:190',
            'approve' => 'required|boolean', 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($approve(
            $given['job'], isset($given['lines']) ? array_values($given['lines']) : null, (bool) $given['approve'], $given['key'], $by,
        ));
    }

    public function supply(Request $request, SupplyJob $supply): JsonResponse
    {
        $given = $request->validate([
            'job' => 'required|string|max:190', 'lines' => 'required|array|min:1|max:'.self::MOST,
            'lines.*.line' => 'required|string|max:190', 'lines.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY],
            'day' => 'nullable|date_format:Y-m-d', 'note' => 'nullable|string|max:190', 'sure' => 'boolean', 'key' => 'required|string|min:16|max:64',
        ]);
        $lines = [];
        foreach ($given['lines'] as $line) {
            $qty = Quantity::parse(ltrim($line['qty'], '-'));
            $lines[] = ['line' => $line['line'], 'qty' => str_starts_with($line['qty'], '-') ? -$qty : $qty];
        }

        return response()->json($supply(
            $given['job'], $lines, $given['day'] ?? null, trim((string) ($given['note'] ?? '')), $given['key'], $this->user($request),
            ($given['sure'] ?? false) === true,
        ));
    }
}
