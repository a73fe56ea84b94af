<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** Someone who sells. */
final class MasterSupplier extends Model
{
    public $timestamps = false;

    protected $table = 'suppliers';

    protected $guarded = [];

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';
}
