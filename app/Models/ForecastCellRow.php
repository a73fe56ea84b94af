<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A forecast for a day, week or month. The quantity is in millionths. */
final class ForecastCellRow extends Model
{
    public $timestamps = false;

    protected $table = 'forecast_buckets';

    protected $guarded = [];
}
