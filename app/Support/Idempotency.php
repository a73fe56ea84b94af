<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Makes a command that is sent twice do its work once: the second gets the answer of the first. */
final class Idempotency
{
    /** Nobody sends a command again after so long; the answers would only pile up. */
    private const KEPT_DAYS = 7;

    /**
     * What was answered to a command before; null where it has not been done.
     *
     * @return array<string, mixed>|null
     *
     * @throws Refused when the key was used by someone else or for something else
     */
    public static function answer(string $key, string $action, User $user): ?array
    {
        $before = DB::table('idempotency_keys')->where('key', $key)->lockForUpdate()->first();
        if ($before === null) {
            return null;
        }
        if ((int) $before->user_id !== $user->id || $before->action !== $action) {
            throw Refused::because('request.used');
        }

        return (array) json_decode($before->answer, true, 512, JSON_THROW_ON_ERROR);
    }

    /**
     * @template T of array<string, mixed>
     *
     * @param  callable(): T  $work  runs in the same transaction that keeps its answer
     * @return T|array<string, mixed>
     *
     * @throws Refused when the key was used by someone else or for something else
     * @throws Overtaken when the work does; nothing is kept of it then
     */
    public static function once(string $key, string $action, User $user, callable $work): array
    {
        return DB::transaction(function () use ($key, $action, $user, $work): array {
            $before = self::answer($key, $action, $user);
            if ($before !== null) {
                return $before;
            }
            $answer = $work();
            DB::table('idempotency_keys')->where('created_at', '<', now()->subDays(self::KEPT_DAYS))->delete();
            DB::table('idempotency_keys')->insert([
                'key' => $key, 'user_id' => $user->id, 'action' => $action, 'answer' => json_encode($answer, JSON_THROW_ON_ERROR),
                'created_at' => now(),
            ]);

            return $answer;
        });
    }
}
