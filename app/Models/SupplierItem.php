<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** What a supplier offers for an item. Quantities and prices in millionths. */
final class SupplierItem extends Model
{
    public $timestamps = false;

    protected $table = 'supplier_items';

    protected $guarded = [];
}
