<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A line of a sales order. Quantities in millionths. */
final class SalesLine extends Model
{
    public $timestamps = false;

    protected $table = 'sales_lines';

    protected $guarded = [];
}
