<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;

/** Puts a message away: done, or asleep until a date, with a reason. It comes back when its facts change. */
final readonly class AnswerMessage
{
    /**
     * @param  string  $state  done, snoozed, or open to take the answer back
     * @param  string|null  $until  ISO date, for snoozed
     *
     * @throws Refused
     */
    public function __invoke(string $identity, string $facts, string $state, ?string $until, string $reason, User $by): void
    {
        $reason = trim($reason);
        if ($state === 'snoozed' && ($until === null || $until <= Settings::planDate())) {
            throw new Refused('Choose a day after today until which it can sleep. The message stands as it was.', 'until');
        }
        if ($state === 'snoozed' && $reason === '') {
            throw new Refused('Say in a few words why it can sleep; whoever finds it will ask. The message stands as it was.', 'reason');
        }
        if (mb_strlen($reason) > 190) {
            throw new Refused('A reason takes up to 190 characters. The message stands as it was.', 'reason');
        }
        DB::transaction(function () use ($identity, $facts, $state, $until, $reason, $by): void {
            DB::table('message_answers')->where('identity', $identity)->delete();
            if ($state !== 'open') {
                DB::table('message_answers')->insert([
                    'identity' => $identity, 'facts' => $facts, 'state' => $state, 'until' => $state === 'snoozed' ? $until : null, 'reason' => $reason, 'user_id' => $by->id, 'created_at' => now(),
                ]);
            }
        });
        Journal::note($state === 'open' ? 'message opened' : "message {$state}", "{$identity}: {$reason}", $by);
    }
}
