<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A schedule that was asked for, and what became of it.
 *
 * @property int $id
 * @property int|null $user_id
 * @property string $status queued, running, done, failed, dropped or kept
 * @property string|null $stage
 * @property array<string, mixed> $options see {@see \App\Actions\StartSchedule}
 * @property int $steps of improvement made so far
 * @property int|null $best weighted days late of the best so far, or its last minute
 * @property string|null $stop keep or drop, when a person has stopped it
 * @property string|null $worker
 * @property string|null $trouble
 * @property array<string, mixed>|null $summary see {@see \App\Jobs\MakeSchedule}
 * @property list<array<string, mixed>>|null $changes that keep it
 * @property array<string, string>|null $seen what the orders looked like
 * @property int|null $commit_id
 * @property CarbonImmutable|null $finished_at
 * @property CarbonImmutable|null $created_at
 */
final class AskedSchedule extends Model
{
    /** Schedules whose result is kept, so that one can look back. */
    private const KEPT = 20;

    protected $table = 'schedules';

    protected $guarded = [];

    protected function casts(): array
    {
        return [
            'options' => 'array', 'summary' => 'array', 'changes' => 'array', 'seen' => 'array', 'finished_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function isUnderWay(): bool
    {
        return $this->status === 'queued' || $this->status === 'running';
    }

    /** Old ones are of no use to anybody. */
    public static function forgetOld(): void
    {
        $last = self::query()->orderByDesc('id')->skip(self::KEPT)->value('id');
        $last === null || self::query()->where('id', '<=', $last)->whereNotIn('status', ['queued', 'running'])->delete();
    }
}
