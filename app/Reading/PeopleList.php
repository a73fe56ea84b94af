<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\User;
use App\Reading\Shapes\PersonRow;
use App\Reading\Shapes\SessionRow;
use App\Support\Stored;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Who signs in, and where they are signed in. */
final class PeopleList
{
    /** @return list<PersonRow> those who may sign in first, by name */
    public static function of(User $looks): array
    {
        $seen = DB::table('sessions')->whereNotNull('user_id')->groupBy('user_id')->selectRaw('user_id, max(last_activity) as last')->pluck('last', 'user_id');

        return array_values(User::query()->with('roles')->orderByRaw('retired_at is not null')->orderBy('name')->get()->map(
            fn (User $user) => new PersonRow(
                email: $user->email, name: $user->name, role: (string) $user->getRoleNames()->first(),
                retiredAt: $user->retired_at?->toDateString(),
                seenAt: $seen->has($user->id) ? Carbon::createFromTimestamp(Stored::int($seen->get($user->id)))->toIso8601String() : null,
                isOneself: $user->is($looks),
            ),
        )->all());
    }

    /** @return list<SessionRow> of a person, the one that looks first */
    public static function sessions(User $user, string $current): array
    {
        $rows = DB::table('sessions')->where('user_id', $user->id)->orderByRaw('id = ? desc', [$current])->orderByDesc('last_activity')->get();

        return array_values($rows->map(fn (stdClass $row) => new SessionRow(
            where: Stored::text($row->ip_address ?? ''), with: mb_substr(Stored::text($row->user_agent ?? ''), 0, 120),
            at: Carbon::createFromTimestamp(Stored::int($row->last_activity))->toIso8601String(), isThis: $row->id === $current,
        ))->all());
    }
}
