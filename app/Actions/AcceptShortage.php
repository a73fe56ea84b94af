<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\Roles;
use Illuminate\Support\Facades\DB;

/** Leaves a shortage as it is, with a reason that others see; without one it is taken back. */
final readonly class AcceptShortage
{
    /** @throws Refused */
    public function __invoke(string $identity, string $reason, User $by): void
    {
        if (! $by->can(Roles::STUDY)) {
            throw new Refused('You may not accept a shortage. Nothing was changed.', 'forbidden');
        }
        $reason = trim($reason);
        if ($reason === '') {
            DB::table('accepted_shortages')->where('identity', $identity)->delete();
            Journal::note('shortage reopened', "Shortage {$identity} open again", $by);

            return;
        }
        DB::table('accepted_shortages')->updateOrInsert(['identity' => $identity], ['reason' => $reason, 'user_id' => $by->id, 'created_at' => now()]);
        Journal::note('shortage accepted', "Shortage {$identity} accepted: {$reason}", $by);
    }
}
