<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Gives a person a secret address for due dates, or withdraws it. The address is told once; only its digest is kept. */
final class FeedCalendar
{
    public const LENGTH = 40;

    /** @return string the secret; one that was given before holds no longer */
    public function give(User $user): string
    {
        $secret = Str::random(self::LENGTH);
        DB::table('users')->where('id', $user->id)->update(['calendar_digest' => self::digest($secret), 'calendar_made_at' => now()]);

        return $secret;
    }

    public function withdraw(User $user): void
    {
        DB::table('users')->where('id', $user->id)->update(['calendar_digest' => null, 'calendar_made_at' => null]);
    }

    /** Whose secret it is; null for nobody's, and for people who have left. */
    public function whose(string $secret): ?User
    {
        return User::query()->where('calendar_digest', self::digest($secret))->whereNull('retired_at')->first();
    }

    private static function digest(string $secret): string
    {
        return hash('sha256', $secret);
    }
}
