<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A place with its own stock and calendar. */
final class MasterSite extends Model
{
    public $timestamps = false;

    protected $table = 'sites';

    protected $guarded = [];

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';
}
