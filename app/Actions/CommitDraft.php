<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Draft;
use App\Models\User;
use App\Planning\DraftLines;
use App\Support\Idempotency;

/** Writes a person's draft into the live data, all of it or nothing. */
final readonly class CommitDraft
{
    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  int  $version  of the draft as it was seen
     * @return array<string, mixed> `message`, `commit`, `orders`
     *
     * @throws Refused
     */
    public function __invoke(int $version, string $key, User $by): array
    {
        return Idempotency::once($key, 'commit', $by, function () use ($version, $by): array {
            $draft = Draft::query()->where('user_id', $by->id)->lockForUpdate()->first();
            if ($draft === null || $draft->lines === []) {
                throw new Refused('The draft is empty. Nothing was written.');
            }
            if ($draft->version !== $version) {
                throw new Refused('The draft was changed in another window. Nothing was written; look at it again.', 'stale');
            }
            $written = ($this->commit)(DraftLines::of($draft), array_column($draft->lines, 'seen'), $by);
            $draft->update(['lines' => [], 'past' => [], 'future' => [], 'version' => $draft->version + 1]);
            $count = count($written['sentences']);

            return ['commit' => $written['commit'], 'orders' => $written['orders'], 'message' => $count === 1 ? 'Written: '.$written['sentences'][0].'.' : "{$count} changes written."];
        });
    }
}
