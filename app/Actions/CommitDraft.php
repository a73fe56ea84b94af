<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Draft;
use App\Models\User;
use App\Planning\DraftLines;
use App\Reading\Shapes\Committed;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Yposta\Core\Support\Phrase;

/** Writes a person's draft into the live data, all of it or nothing. */
final readonly class CommitDraft
{
    public function __construct(private CommitChanges $commit, private PlanClient $plans)
    {
    }

    /**
     * @param  int  $version  of the draft as it was seen
     * @return array<string, mixed> Committed
     *
     * @throws Refused
     */
    public function __invoke(int $version, string $key, User $by): array
    {
        // asked before anything is locked: whoever answers may have to read what others write
        $lines = Draft::of($by)->lines ?? [];
        $lines === [] || $this->plans->ask(PlanQuestion::Countable, lines: $lines);

        return Idempotency::once($key, 'commit', $by, function () use ($version, $by): array {
            $draft = Draft::query()->where('user_id', $by->id)->lockForUpdate()->first();
            if ($draft === null || $draft->lines === []) {
                throw Refused::because('commit.empty');
            }
            if ($draft->version !== $version) {
                throw Refused::because('commit.stale', [], 'stale');
            }
            $written = ($this->commit)(DraftLines::of($draft), array_column($draft->lines, 'seen'), $by);
            $canBeUndone = self::canBeUndone($draft->lines);
            $draft->update(['lines' => [], 'past' => [], 'future' => [], 'version' => $draft->version + 1]);
            $count = count($written['sentences']);

            return get_object_vars(new Committed(
                message: Words::say(new Phrase(
                    $count === 1 ? 'journal.committed.one' : 'journal.committed.many',
                    ['count' => $count, 'what' => $written['sentences'][0] ?? ''],
                )),
                commit: $canBeUndone ? $written['commit'] : null,
                orders: $written['orders'],
            ));
        });
    }

    /**
     * What was started or sent is not taken back.
     *
     * @param  list<array{changes: list<array<string, mixed>>}>  $lines
     */
    private static function canBeUndone(array $lines): bool
    {
        return ! in_array('release_order', array_column(array_merge(...array_column($lines, 'changes')), 'change'), true);
    }
}
