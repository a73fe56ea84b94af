<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a person tries before anything is written; one for each person.
 *
 * A line is some changes that belong together: `id`, `changes` as the codec keeps them, `seen`: what the rows they touch looked like, by
 * name of the row, `title`: what a remedy called it.
 *
 * @phpstan-type Line array{id: int, changes: list<array<string, mixed>>, seen: array<string, string>, title: string|null}
 *
 * @property int $id
 * @property int $user_id
 * @property list<Line> $lines
 * @property list<list<Line>>|null $past
 * @property list<list<Line>>|null $future
 * @property int $version
 * @property User|null $user
 */
final class Draft extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['lines' => 'array', 'past' => 'array', 'future' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public static function of(User $user): ?self
    {
        return self::query()->where('user_id', $user->id)->first();
    }
}
