<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** Quantity on hand, in millionths. */
final class Stock extends Model
{
    public $timestamps = false;

    protected $table = 'stock';

    protected $guarded = [];
}
