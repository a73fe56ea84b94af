<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Support\Phrase;

/** Leaves a shortage as it is, with a reason that others see; without one it is taken back. */
final readonly class AcceptShortage
{
    /** @throws Refused */
    public function __invoke(string $identity, string $reason, User $by): void
    {
        if (! $by->can(Roles::STUDY)) {
            throw Refused::because('shortage.forbidden', [], 'forbidden');
        }
        $reason = trim($reason);
        if ($reason === '') {
            DB::table('accepted_shortages')->where('identity', $identity)->delete();
            Journal::note('shortage reopened', Words::say(new Phrase('journal.shortage.reopened', ['identity' => $identity])), $by);

            return;
        }
        DB::table('accepted_shortages')->updateOrInsert(
            ['identity' => $identity],
            ['reason' => $reason, 'user_id' => $by->id, 'created_at' => now()],
        );
        Journal::note(
            'shortage accepted',
            Words::say(new Phrase('journal.shortage.accepted', ['identity' => $identity, 'reason' => $reason])),
            $by,
        );
    }
}
