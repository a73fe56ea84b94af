<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A purchase, production or transfer order; what it orders stands in its lines.
 *
 * @property int $id
 * @property string $code
 * @property string $kind make, buy or transfer
 * @property string $status firm, released, done or cancelled
 * @property string $site_code
 * @property string|null $supplier_code
 * @property bool $is_request whether purchasing is asked for it, and it is no order yet
 * @property string|null $sent_at
 * @property string|null $text what it says to its supplier beside its lines
 * @property int $version
 */
final class Order extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['is_request' => 'boolean'];
    }

    /** @return HasMany<OrderLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(OrderLine::class)->orderBy('number');
    }

    /** @return BelongsTo<MasterSupplier, $this> */
    public function supplier(): BelongsTo
    {
        return $this->belongsTo(MasterSupplier::class, 'supplier_code', 'code');
    }

    /** @return BelongsTo<MasterSite, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(MasterSite::class, 'site_code', 'code');
    }

    /** @return BelongsTo<User, $this> */
    public function creator(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }
}
