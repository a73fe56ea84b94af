<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Run;
use App\Models\User;
use App\Planning\ChangeRights;
use App\Planning\NetworkReader;
use App\Support\Idempotency;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\CancelOrder;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MoveOrder;

/** Does what a message asks for: moves an open order to the date on which it is needed, or cancels it. */
final readonly class ApplyMessage
{
    public function __construct(private NetworkReader $reader, private CommitChanges $commit, private AnswerMessage $answer)
    {
    }

    /**
     * @return array<string, mixed> `message`: what was done
     *
     * @throws Refused
     */
    public function __invoke(int $runId, int $n, string $key, User $by): array
    {
        return Idempotency::once($key, 'apply', $by, function () use ($runId, $n, $by): array {
            $run = Run::live();
            if ($run === null || $run->id !== $runId) {
                throw new Refused('A newer plan has taken the place of the one you saw. Nothing was changed; look at its messages.', 'stale');
            }
            $message = DB::table('plan_messages')->where('run_id', $run->id)->where('n', $n)->first() ?? throw new Refused('This message is not in the plan any more. Nothing was changed.', 'stale');
            $change = self::changeFor($message->code, $message->reference, $message->to_date) ?? throw new Refused('This message asks for nothing that could be done at once. Nothing was changed.');
            $network = $this->reader->read();
            $order = $network->orders[substr($message->reference, strlen('order:'))] ?? null;
            if ($order === null) {
                throw new Refused('The order is not open any more. Nothing was changed; run the plan to bring the list up to date.', 'stale');
            }
            if (! ChangeRights::may($by, $change, $network)) {
                throw new Refused('You may not change this kind of order. Nothing was changed.', 'forbidden');
            }
            if ($order->pinned) {
                throw new Refused("{$order->code} is pinned. Free it first if it really should move; nothing was changed.", 'pinned');
            }
            if (Day::format($order->due) !== substr((string) $message->from_date, 0, 10) || $order->open() !== (int) $message->qty) {
                throw new Refused("{$order->code} has been changed since the plan was made. Nothing was changed; run the plan and look again.", 'stale');
            }
            $written = ($this->commit)([[$change]], [], $by);
            ($this->answer)($message->identity, $message->facts, 'done', null, (string) trans('done as asked'), $by);

            return ['message' => "{$written['sentences'][0]}."];
        });
    }

    /** What a message asks for, or null where that is for a person to think about. */
    public static function changeFor(string $code, string $reference, ?string $to): ?Change
    {
        $order = str_starts_with($reference, 'order:') ? substr($reference, strlen('order:')) : null;

        return match (true) {
            $order === null => null,
            $code === 'cancel' => new CancelOrder($order),
            in_array($code, ['bring_in', 'push_out'], true) && $to !== null => new MoveOrder($order, Day::parse(substr($to, 0, 10))),
            default => null,
        };
    }
}
