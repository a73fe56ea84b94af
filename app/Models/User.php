<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Foundation\Auth\User as Authenticatable;
use Spatie\Permission\Traits\HasRoles;

/**
 * A person who signs in.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password hashed
 * @property \Carbon\CarbonImmutable|null $retired_at since when they may not sign in any more
 */
final class User extends Authenticatable
{
    use HasRoles;

    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password', 'remember_token'];

    protected function casts(): array
    {
        return ['password' => 'hashed', 'retired_at' => 'immutable_datetime'];
    }
}
