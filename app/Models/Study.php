<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A saved what-if: parameters and changes on top of the live data. It can never create orders.
 *
 * @property int $id
 * @property string $name
 * @property array<string, mixed> $parameters what differs from the installation's defaults
 * @property list<array<string, mixed>> $changes as the core's codec keeps them
 * @property int $user_id
 * @property int $version
 */
final class Study extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['parameters' => 'array', 'changes' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Its newest result, if it has one. */
    public function result(): ?Run
    {
        return Run::query()->where('study_id', $this->id)->where('status', 'done')->where('stored', true)->orderByDesc('id')->first();
    }

    public function newestRun(): ?Run
    {
        return Run::query()->where('study_id', $this->id)->orderByDesc('id')->first();
    }
}
