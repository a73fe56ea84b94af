<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Passwords;
use App\Support\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Gives a person another password; who is signed in with the old one elsewhere is not any more. */
final readonly class ChangePassword
{
    /**
     * @param  string|null  $session  that goes on, by its id
     *
     * @throws Refused when the old one is wrong, or the new one is not good
     */
    public function own(User $person, string $old, string $new, ?string $session): void
    {
        Hash::check($old, $person->password) || throw Refused::because('password.wrong', [], 'old');
        $old === $new && throw Refused::because('password.same', [], 'new');
        $this->set($person, $new, $session);
    }

    /** @throws Refused when it is not good */
    public function set(User $person, string $new, ?string $session = null): void
    {
        $fault = Passwords::fault($new, [$person->name, $person->email]);
        $fault === null || throw new Refused($fault, 'new');
        DB::transaction(function () use ($person, $new, $session): void {
            $person->forceFill(['password' => $new, 'remember_token' => null])->save();
            self::signOut($person, $session);
        });
    }

    public static function signOut(User $person, ?string $but = null): void
    {
        DB::table('sessions')->where('user_id', $person->id)->where('id', '<>', (string) $but)->delete();
    }
}
