<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A planning run, its parameters and what became of it.
 *
 * @property int $id
 * @property string $status queued, running, done or failed
 * @property bool $current whether its results are the live plan
 * @property string|null $stage
 * @property array<string, mixed> $parameters
 * @property string $plan_date
 * @property string $horizon_end
 * @property int $last_change the newest change of data that it has seen
 * @property array<string, mixed>|null $summary
 * @property string|null $trouble
 * @property int|null $study_id the study that it belongs to; null for a run of the live plan
 * @property string|null $worker the process that executes it, see Worker
 * @property string|null $leaves_out what it does not plan although it is there, in words
 * @property int $attempts how often it was begun
 * @property int $last_conversion the newest conversion that it has seen
 * @property array<string, mixed>|null $wishes what was asked for, see {@see \App\Planning\RunWishes}; null of an older one
 * @property string|null $kept_run name of the kept run that it is; without a person it began by itself
 * @property bool $stored whether its results are still kept
 * @property CarbonImmutable|null $finished_at
 */
final class Run extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return [
            'current' => 'boolean',
            'stored' => 'boolean',
            'parameters' => 'array',
            'wishes' => 'array',
            'summary' => 'array',
            'started_at' => 'immutable_datetime',
            'finished_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Study, $this> */
    public function study(): BelongsTo
    {
        return $this->belongsTo(Study::class);
    }

    public static function live(): ?self
    {
        return self::query()->where('current', true)->first();
    }
}
