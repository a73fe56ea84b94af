<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Run;
use App\Models\User;
use App\Planning\ChangeRights;
use App\Planning\LiveNetwork;
use App\Planning\MessageChange;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Support\Phrase;

/** Does what a message asks for: moves an open order to the date on which it is needed, or cancels it. */
final readonly class ApplyMessage
{
    public function __construct(private LiveNetwork $data, private CommitChanges $commit, private AnswerMessage $answer)
    {
    }

    /**
     * @return array<string, mixed> Told: what was done
     *
     * @throws Refused
     */
    public function __invoke(int $runId, int $n, string $key, User $by): array
    {
        return Idempotency::once($key, 'apply', $by, function () use ($runId, $n, $by): array {
            $run = Run::live();
            if ($run === null || $run->id !== $runId) {
                throw Refused::because('message.newer_plan', [], 'stale');
            }
            $message = DB::table('plan_messages')->where('run_id', $run->id)->where('n', $n)
                ->first() ?? throw Refused::because('message.gone', [], 'stale');
            $change = MessageChange::of(
                $message->code,
                $message->reference,
                $message->to_date,
            ) ?? throw Refused::because('message.asks_nothing');
            $network = $this->data->read();
            $order = $network->orders[Reference::parse($message->reference)->name] ?? null;
            if ($order === null) {
                throw Refused::because('message.order_over', [], 'stale');
            }
            if (! $by->can(ChangeRights::ofKind($order->kind))) {
                throw Refused::because('message.forbidden', [], 'forbidden');
            }
            if ($order->pinned) {
                throw Refused::because('message.pinned', ['order' => $order->code], 'pinned');
            }
            if (Day::format($order->due) !== substr((string) $message->from_date, 0, 10) || $order->open() !== (int) $message->qty) {
                throw Refused::because('message.order_changed', ['order' => $order->code], 'stale');
            }
            $written = ($this->commit)([[$change]], [], $by);
            ($this->answer)($message->identity, $message->facts, 'done', null, (string) trans('done as asked'), $by);

            return get_object_vars(new Told(Words::say(new Phrase('journal.sentence', ['what' => $written['sentences'][0]]))));
        });
    }
}
