<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a run is asked for, kept by name.
 *
 * @property int $id
 * @property string $name
 * @property array<string, mixed> $wishes see {@see \App\Planning\RunWishes}
 * @property string|null $daily_at time of the company's day at which it begins by itself, 06:00; of one at the most
 * @property bool $agreed whether the person who kept it has read that it leaves something out
 * @property string|null $last_day ISO date of the day on which it last began by itself, or was kept too late to
 * @property string|null $trouble why it did not begin by itself the last time
 * @property int $user_id
 * @property int $version
 */
final class KeptRun extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['wishes' => 'array', 'agreed' => 'boolean'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public static function daily(): ?self
    {
        return self::query()->whereNotNull('daily_at')->first();
    }
}
