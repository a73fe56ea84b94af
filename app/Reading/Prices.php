<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Plan\PurchaseValue;

/** What bought items cost now, see {@see PurchaseValue}; read for the items at hand. */
final class Prices
{
    /** @var array<string, PurchasePrices> by item */
    private array $of = [];

    private const AT_ONCE = 400;

    /** @param  list<string>  $items  codes */
    public function load(array $items): void
    {
        $missing = array_values(array_diff(array_unique($items), array_map(strval(...), array_keys($this->of))));
        foreach (array_chunk($missing, self::AT_ONCE) as $chunk) {
            $this->of += array_fill_keys($chunk, app(NetworkReader::class)->prices($chunk));
        }
    }

    /** @param  int  $qty  millionths */
    public function value(int $qty, StoredPoint $point, ?string $supplier): int
    {
        $this->load([$point->item]);

        return (new PurchaseValue($this->of[$point->item]))->of($qty, $point->item, $supplier, $point->unitCost);
    }

    /**
     * What one costs in an order line of so many, in millionths; null where the supplier says none.
     *
     * @param  int  $qty  millionths
     */
    public function price(string $item, ?string $supplier, int $qty): ?int
    {
        $this->load([$item]);

        return $this->of[$item]->price($item, $supplier, $qty);
    }
}
