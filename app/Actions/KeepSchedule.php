<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\AskedSchedule;
use App\Models\User;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Support\Phrase;

/** Writes a schedule to its orders, as one commit that can be undone, and has the plan made with it. */
final readonly class KeepSchedule
{
    public function __construct(private CommitChanges $commit, private StartRun $start)
    {
    }

    /**
     * @return array<string, mixed> Told
     *
     * @throws Refused when it is not there to be kept, or an order was changed since it was made
     */
    public function __invoke(int $id, string $key, User $by): array
    {
        $isKept = false;
        $told = Idempotency::once($key, 'keep schedule', $by, function () use ($id, $by, &$isKept): array {
            $asked = AskedSchedule::query()->whereKey($id)->lockForUpdate()->first() ?? throw Refused::because('schedule.none');
            $asked->status === 'done' || throw match ($asked->status) {
                'kept' => Refused::because('schedule.kept', [], 'over'),
                'queued', 'running' => Refused::because('schedule.not_finished', [], 'over'),
                default => Refused::because('schedule.dropped', [], 'over'),
            };
            $changes = array_map(ChangeCodec::decode(...), $asked->changes ?? []);
            $said = new Phrase('journal.schedule.kept', ['count' => (int) ($asked->summary['kept'] ?? 0)]);
            $changes === [] && throw Refused::because('schedule.nothing_moves', [], 'nothing');
            $written = ($this->commit)([$changes], [$asked->seen ?? []], $by, Words::say($said));
            $asked->update(['status' => 'kept', 'commit_id' => $written['commit']]);
            $isKept = true;

            return get_object_vars(new Told(Words::say($said)));
        });
        $isKept && $this->planWithIt((int) (AskedSchedule::query()->find($id)->options['proposalsDays'] ?? 0), $by);

        return $told;
    }

    /** The live plan with the parameters that it had, and the dates of the shop. */
    private function planWithIt(int $proposalsDays, User $by): void
    {
        try {
            $this->start->again($by, ['schedule' => true, 'scheduleDays' => $proposalsDays]);
        } catch (Refused) {
            // a run that is under way takes it in, or the person sees that the plan is behind
        }
    }
}
