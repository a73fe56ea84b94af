<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** How an item is planned at a site. Quantities in millionths, days as the planning rules say. */
final class PlanningData extends Model
{
    public $timestamps = false;

    protected $table = 'planning_data';

    protected $guarded = [];
}
