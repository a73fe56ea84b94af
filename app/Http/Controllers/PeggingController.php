<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Planning\NetworkReader;
use App\Reading\Describe;
use App\Reading\HoldUpChain;
use App\Reading\Pages\PeggingPage;
use App\Reading\Pages\ThreadPage;
use App\Reading\PegSubject;
use App\Reading\PegTree;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\PegWay;
use App\Reading\Shapes\ThreadBeginning;
use App\Reading\Shapes\ThreadOther;
use App\Reading\StoredGround;
use App\Reading\StoredPlan;
use App\Reading\Thread;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use App\Trials\Views\WithoutHoldUp;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** Pegging of a sales line, an order or a proposal: down to raw stock, or up to the customers; as a list, or as a thread on a time axis. */
final class PeggingController extends Controller
{
    /** Other sales lines that wait for the same supply, in the panel. */
    private const OTHERS = 8;

    /** Rows that one may go on to. */
    private const MOST = 12_000;

    public function list(Request $request): Response
    {
        [$plan, $subject] = $this->asked($request);
        $way = $this->way($request, $subject);
        $most = $this->most($request);
        $tree = new PegTree($plan, $most);
        $rows = match (true) {
            $subject->element instanceof Demand => $tree->down([$subject->number], $way === PegWay::HoldUp),
            $way === PegWay::Up => $tree->up($subject->number),
            default => $tree->down($tree->inputsOf($subject->number), false),
        };

        return (new PeggingPage(
            title: $subject->title, about: $subject->about(),
            holdUp: $subject->element instanceof Demand ? $plan->holdUpOf($subject->element) : null, lateDays: $subject->lateDays(),
            back: $subject->back, ways: $subject->ways(), rows: $rows, most: $most,
            filter: ['of' => $request->string('of')->toString(), 'way' => $way->value, 'rows' => (string) $most],
        ))->show();
    }

    public function thread(Request $request, NetworkReader $reader): Response
    {
        [$plan, $subject] = $this->asked($request);
        $way = $this->way($request, $subject);
        $ground = $way === PegWay::Up ? StoredGround::above($plan, $subject) : StoredGround::below($plan, $subject);
        $most = $this->most($request);
        $thread = new Thread($ground, $most);
        $chain = new HoldUpChain($ground);
        $rows = $way === PegWay::Up ? $thread->up($subject->element) : $thread->down($subject->element);
        $line = $subject->element instanceof Demand && $subject->element->lateDays() > 0 ? $subject->element : null;
        $beginning = $line === null ? null : $chain->beginning($line)?->supply;

        return (new ThreadPage(
            title: $subject->title, about: $subject->about(), back: $subject->back, ways: $subject->ways(), rows: $rows, most: $most,
            filter: ['of' => $request->string('of')->toString(), 'way' => $way->value, 'rows' => (string) $most], lateDays: $subject->lateDays(),
            planDate: substr($plan->run->plan_date, 0, 10),
            due: $plan->dates->isoOrNull($subject->element instanceof Demand ? $subject->element->date : null),
            expected: $plan->dates->isoOrNull($subject->element instanceof Demand
                ? $subject->element->expected
                : $subject->element->available),
            closed: $thread->closedDays($reader->calendarOf($this->site($request))),
            holdUp: $line === null ? null : $plan->holdUpOf($line), steps: $line === null ? [] : $chain->steps($line),
            beginning: $beginning === null ? null : $this->beginning($plan, $beginning),
            others: $beginning === null ? [] : $this->others($plan, $plan->numberOf($beginning), $subject->number),
        ))->show();
    }

    /** What would decide the date if the hold-up were gone. */
    public function without(Request $request, PlanClient $plans): JsonResponse
    {
        [$plan, $subject] = $this->asked($request);
        $line = $subject->element;
        abort_unless($line instanceof Demand && $plan->run->study_id === null, 404);
        $beginning = (new HoldUpChain(StoredGround::below($plan, $subject)))->beginning($line);
        abort_if($beginning === null, 404);
        $point = $plan->pointOf($beginning->supply->point);

        return response()->json($plans->ask(
            PlanQuestion::Without,
            line: $line->reference(),
            changes: WithoutHoldUp::inTime($beginning, $point->item, $point->site),
        ));
    }

    /** @return array{StoredPlan, PegSubject} */
    private function asked(Request $request): array
    {
        $plan = $this->plan();
        $subject = $plan === null ? null : PegSubject::find($plan, $request->string('of')->toString());
        abort_if($plan === null || $subject === null, 404, (string) trans('This is not in the plan.'));

        return [$plan, $subject];
    }

    /** How many rows are shown: so many, or as many more as one has gone on. */
    private function most(Request $request): int
    {
        return max(PegTree::STEP, min(self::MOST, $request->integer('rows')));
    }

    private function way(Request $request, PegSubject $subject): PegWay
    {
        $way = PegWay::tryFrom($request->string('way')->toString());

        return in_array($way, $subject->ways(), true) ? $way : PegWay::Down;
    }

    private function beginning(StoredPlan $plan, Supply $supply): ThreadBeginning
    {
        return new ThreadBeginning(
            (string) $supply->reference(), $supply->name, $plan->pointOf($supply->point)->item, $plan->dates->iso($supply->due),
            (new Describe($plan))->supply($supply)->href, ! $supply->isProposal(),
        );
    }

    /** @return list<ThreadOther> other sales lines whose delay begins in the same supply */
    private function others(StoredPlan $plan, int $supply, int $except): array
    {
        $rows = DB::table('plan_demands')->where('run_id', $plan->run->id)->whereIn('kind', StoredPlan::ORDERED)->where('hold_up_supply', $supply)
            ->where('n', '!=', $except)->orderByDesc('late_days')->limit(self::OTHERS)->get();

        return array_values($rows->map(fn ($row) => new ThreadOther(
            new Link(
                "{$row->name}/{$row->line} {$row->customer}",
                '/thread?'.http_build_query(['of' => (string) Reference::of(ReferenceKind::from($row->kind), $row->name, $row->line)]),
            ),
            (int) $row->late_days,
        ))->all());
    }
}
