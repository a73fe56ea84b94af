<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One item of an order; what the plan calls an open order. Quantities in millionths.
 *
 * @property int $id
 * @property int $order_id
 * @property int $number
 * @property string $code unique, the reference in the plan
 * @property string $item_code
 * @property string|null $from_site_code
 * @property int $qty
 * @property int $received
 * @property string|null $start
 * @property string $due
 * @property bool $pinned
 * @property bool $cancelled
 * @property bool $hold whether the schedule leaves it out
 * @property string|null $not_before
 * @property string|null $finish_by
 * @property int $priority
 * @property int|null $price millionths of the currency
 * @property int|null $run_id the run that proposed it
 * @property int|null $proposal its number there
 * @property int|null $confirmed_qty what the supplier has confirmed
 * @property string|null $confirmed_due
 * @property string|null $confirmed_at
 * @property string|null $confirmed_how hand, csv or ubl
 * @property int $version
 */
final class OrderLine extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['pinned' => 'boolean', 'cancelled' => 'boolean'];
    }

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    /** @return BelongsTo<MasterItem, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(MasterItem::class, 'item_code', 'code');
    }

    /** @return HasMany<LineComponent, $this> */
    public function components(): HasMany
    {
        return $this->hasMany(LineComponent::class);
    }
}
