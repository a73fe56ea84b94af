<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AnswerMessage;
use App\Actions\ApplyMessage;
use App\Reading\AtRisk;
use App\Reading\MessageList;
use App\Reading\Pages\MessagesPage;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Yposta\Core\Run\MessageCode;

/** What the plan has to say, as a list to work through. */
final class MessageController extends Controller
{
    public function index(Request $request): Response
    {
        $plan = $this->plan();
        $order = $this->order($request, MessageList::SORTED);
        $filter = [
            'kind' => MessageCode::tryFrom($request->string('kind')->toString())->value ?? '',
            'q' => $request->string('q')->limit(60, '')->toString(),
            'show' => $request->query('show') === 'away' ? 'away' : 'open', 'sort' => (string) $order,
        ];
        if ($plan === null) {
            return (new MessagesPage(run: null, live: false, kinds: [], tasks: [], total: 0, away: 0, filter: $filter))->show();
        }
        $list = new MessageList($plan);
        $site = $this->site($request);
        $away = $filter['show'] === 'away';
        $total = ! $away && $filter['kind'] === '' && $filter['q'] === '' ? $list->open($site) : null;
        $tasks = $list->tasks($list->query($site, $away, $filter['kind'], $filter['q']), $order, total: $total);

        return (new MessagesPage(
            run: $plan->run->id, live: $plan->run->study_id === null, kinds: $list->kinds($site, $away), total: $tasks->total,
            away: $list->away($site), tasks: $tasks->rows, filter: $filter,
        ))->show();
    }

    /** The messages from a place of their list on. */
    public function rows(Request $request): JsonResponse
    {
        $plan = $this->plan();
        abort_if($plan === null, 404);
        $list = new MessageList($plan);

        return response()->json($list->tasks(
            $list->query(
                $this->site($request), $request->query('show') === 'away',
                MessageCode::tryFrom($request->string('kind')->toString())->value ?? '', $request->string('q')->limit(60, '')->toString(),
            ),
            $this->order($request, MessageList::SORTED), $this->place($request),
        ));
    }

    /** The late sales lines that wait for what a message speaks of, for the inspector. */
    public function risk(int $n): JsonResponse
    {
        $plan = $this->plan();
        abort_if($plan === null, 404);

        return response()->json((new AtRisk($plan))->of($n));
    }

    public function answer(Request $request, AnswerMessage $answer): JsonResponse
    {
        abort_unless(Roles::worksOnPlan($this->user($request)), 403);
        $given = $request->validate([
            'identity' => 'required|string|max:190', 'facts' => 'present|string|max:190', 'state' => 'required|in:done,snoozed,open',
            'until' => 'nullable|date_format:Y-m-d', 'reason' => 'present|nullable|string|max:500',
        ]);
        $answer(
            $given['identity'], $given['facts'], $given['state'], $given['until'] ?? null, (string) $given['reason'],
            $this->user($request),
        );

        return response()->json(['state' => $given['state']]);
    }

    public function apply(Request $request, ApplyMessage $apply): JsonResponse
    {
        $given = $request->validate(['run' => 'required|integer', 'n' => 'required|integer', 'key' => 'required|string|min:16|max:64']);

        return response()->json($apply((int) $given['run'], (int) $given['n'], $given['key'], $this->user($request)));
    }
}
