<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** What an open order still needs. Quantities in millionths. */
final class LineComponent extends Model
{
    public $timestamps = false;

    protected $table = 'order_components';

    protected $guarded = [];
}
