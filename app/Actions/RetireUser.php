<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Takes a person's way in; what they did stays in the journal under their name. */
final readonly class RetireUser
{
    public function __invoke(User $person): void
    {
        DB::transaction(function () use ($person): void {
            $person->forceFill(['retired_at' => now(), 'password' => Str::random(64), 'remember_token' => null])->save();
            $person->syncRoles([]);
            DB::table('drafts')->where('user_id', $person->id)->delete();
            ChangePassword::signOut($person);
        });
    }
}
