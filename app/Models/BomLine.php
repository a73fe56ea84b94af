<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A component of an item. Quantities in millionths, scrap in millionths of a percent. */
final class BomLine extends Model
{
    public $timestamps = false;

    protected $table = 'bom_lines';

    protected $guarded = [];
}
