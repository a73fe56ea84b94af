<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;

/** Puts a message away: done, or asleep until a date, with a reason. It comes back when its facts change. */
final readonly class AnswerMessage
{
    private const LONGEST_REASON = 190;

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
            throw Refused::because('message.until', [], 'until');
        }
        if ($state === 'snoozed' && $reason === '') {
            throw Refused::because('message.reason', [], 'reason');
        }
        if (mb_strlen($reason) > self::LONGEST_REASON) {
            throw Refused::because('message.long_reason', ['most' => self::LONGEST_REASON], 'reason');
        }
        DB::transaction(function () use ($identity, $facts, $state, $until, $reason, $by): void {
            DB::table('message_answers')->where('identity', $identity)->delete();
            if ($state !== 'open') {
                DB::table('message_answers')->insert([
                    'identity' => $identity, 'facts' => $facts, 'state' => $state, 'until' => $state === 'snoozed' ? $until : null,
                    'reason' => $reason, 'user_id' => $by->id, 'created_at' => now(),
                ]);
            }
        });
        Journal::note($state === 'open' ? 'message opened' : "message {$state}", "{$identity}: {$reason}", $by);
    }
}
