<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** Anything stocked, made, bought or consumed. Costs are in millionths of the currency. */
final class MasterItem extends Model
{
    public $timestamps = false;

    protected $table = 'items';

    protected $guarded = [];

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';
}
