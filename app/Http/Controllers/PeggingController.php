<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Planning\NetworkReader;
use App\Planning\Read\Describe;
use App\Planning\Read\PegSubject;
use App\Planning\Read\PegTree;
use App\Planning\Read\StoredPlan;
use App\Planning\Read\Thread;
use App\Planning\Shapes\Link;
use App\Planning\WithoutHoldUp;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Inertia;
use Inertia\Response;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\Supply;

/** Pegging of a sales line, an order or a proposal: down to raw stock, or up to the customers; as a list, or as a thread on a time axis. */
final class PeggingController extends Controller
{
    /** Other sales lines that wait for the same supply, in the panel. */
    private const OTHERS = 8;

    public function list(Request $request): Response
    {
        [$plan, $subject] = $this->asked($request);
        $way = $this->way($request, $subject);
        $tree = new PegTree($plan);
        $rows = match (true) {
            $subject->element instanceof Demand => $tree->down([$subject->number], $way === 'hold-up'),
            $way === 'up' => $tree->up($subject->number),
            default => $tree->down($tree->inputsOf($subject->number), false),
        };

        return Inertia::render('Pegging', [
            'title' => $subject->title, 'about' => $subject->about, 'holdUp' => $subject->element instanceof Demand ? $plan->holdUpOf($subject->element) : null, 'lateDays' => $subject->lateDays(),
            'back' => $subject->back, 'ways' => $subject->ways(), 'rows' => $rows, 'most' => PegTree::MOST, 'filter' => ['of' => $request->string('of')->toString(), 'way' => $way],
        ]);
    }

    public function thread(Request $request, NetworkReader $reader): Response
    {
        [$plan, $subject] = $this->asked($request);
        $way = $this->way($request, $subject);
        $thread = new Thread($plan);
        $rows = $way === 'up' ? $thread->up($subject) : $thread->down($subject);
        $line = $subject->element instanceof Demand && $subject->element->lateDays() > 0 ? $subject->element : null;
        $beginning = $line === null ? null : $thread->beginning($line)?->supply;

        return Inertia::render('Thread', [
            'title' => $subject->title, 'about' => $subject->about, 'back' => $subject->back, 'ways' => $subject->ways(), 'rows' => $rows, 'most' => Thread::MOST,
            'filter' => ['of' => $request->string('of')->toString(), 'way' => $way], 'lateDays' => $subject->lateDays(), 'planDate' => substr($plan->run->plan_date, 0, 10),
            'due' => $plan->dates->isoOrNull($subject->element instanceof Demand ? $subject->element->date : null),
            'expected' => $plan->dates->isoOrNull($subject->element instanceof Demand ? $subject->element->expected : $subject->element->available),
            'closed' => $thread->closedDays($reader->calendarOf($this->site($request))),
            'holdUp' => $line === null ? null : $plan->holdUpOf($line), 'steps' => $line === null ? [] : $thread->steps($line),
            'beginning' => $beginning === null ? null : $this->beginning($plan, $beginning),
            'others' => $beginning === null ? [] : $this->others($plan, $plan->numberOf($beginning), $subject->number),
        ]);
    }

    /** What would decide the date if the hold-up were gone. */
    public function without(Request $request, WithoutHoldUp $without): JsonResponse
    {
        [$plan, $subject] = $this->asked($request);
        $line = $subject->element;
        abort_unless($line instanceof Demand && $plan->run->study_id === null, 404);
        $thread = new Thread($plan);
        $thread->down($subject);
        $beginning = $thread->beginning($line);
        abort_if($beginning === null, 404);
        $point = $plan->pointOf($beginning->supply->point);

        return response()->json($without->of($plan->run, $line, $beginning, $point->item, $point->site));
    }

    /** @return array{StoredPlan, PegSubject} */
    private function asked(Request $request): array
    {
        $plan = $this->plan();
        $subject = $plan === null ? null : PegSubject::find($plan, $request->string('of')->toString());
        abort_if($plan === null || $subject === null, 404, 'This is not in the plan.');

        return [$plan, $subject];
    }

    private function way(Request $request, PegSubject $subject): string
    {
        $way = (string) $request->query('way');

        return in_array($way, $subject->ways(), true) ? $way : 'down';
    }

    /** @return array{reference: string, name: string, item: string, due: string, href: string|null, isOrder: bool} */
    private function beginning(StoredPlan $plan, Supply $supply): array
    {
        return [
            'reference' => $supply->reference(), 'name' => $supply->name, 'item' => $plan->pointOf($supply->point)->item, 'due' => $plan->dates->iso($supply->due),
            'href' => (new Describe($plan))->supply($supply)->href, 'isOrder' => ! $supply->isProposal(),
        ];
    }

    /** @return list<array{line: Link, days: int}> other sales lines whose delay begins in the same supply */
    private function others(StoredPlan $plan, int $supply, int $except): array
    {
        $rows = DB::table('plan_demands')->where('run_id', $plan->run->id)->where('kind', 'sales')->where('hold_up_supply', $supply)->where('n', '!=', $except)->orderByDesc('late_days')->limit(self::OTHERS)->get();

        return array_values($rows->map(fn ($row) => [
            'line' => new Link("{$row->name}/{$row->line} {$row->customer}", '/thread?'.http_build_query(['of' => "sales:{$row->name}/{$row->line}"])), 'days' => (int) $row->late_days,
        ])->all());
    }
}
