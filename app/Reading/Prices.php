<?php

declare(strict_types=1);

namespace App\Reading;

use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\PurchaseValue;

/** What bought items cost now, see {@see PurchaseValue}; read for the items at hand. */
final class Prices
{
    /** @var array<string, array<string, int>> millionths by item and supplier */
    private array $of = [];

    private const AT_ONCE = 400;

    /** @param  list<string>  $items  codes */
    public function load(array $items): void
    {
        $missing = array_values(array_diff(array_unique($items), array_map(strval(...), array_keys($this->of))));
        foreach (array_chunk($missing, self::AT_ONCE) as $chunk) {
            $this->of += array_fill_keys($chunk, []);
            foreach (DB::table('supplier_items')->whereIn('item_code', $chunk)->whereNotNull('price')->get() as $row) {
                $this->of[$row->item_code][$row->supplier_code] = (int) $row->price;
            }
        }
    }

    /** @param  int  $qty  millionths */
    public function value(int $qty, StoredPoint $point, ?string $supplier): int
    {
        $this->load([$point->item]);

        return (new PurchaseValue($this->of))->of($qty, $point->item, $supplier, $point->unitCost);
    }
}
