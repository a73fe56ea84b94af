<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A setting of the installation. */
final class Setting extends Model
{
    public $timestamps = false;

    protected $table = 'settings';

    protected $guarded = [];

    public $incrementing = false;

    protected $primaryKey = 'key';

    protected $keyType = 'string';
}
