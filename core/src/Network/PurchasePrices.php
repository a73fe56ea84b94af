<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** What suppliers ask for one of an item: by the highest break that the quantity of the line reaches, else the price of the offer. */
final readonly class PurchasePrices
{
    /**
     * @param  array<string, array<string, int>>  $prices  of offers, in millionths of the supplier's currency, by item and supplier
     * @param  array<string, array<string, array<int, int>>>  $breaks  price by least quantity, both in millionths, by item and supplier
     */
    public function __construct(private array $prices, private array $breaks)
    {
    }

    public static function of(Network $network): self
    {
        return self::ofRows($network->supplierItems, $network->priceBreaks);
    }

    /**
     * @param  iterable<SupplierItem>  $offers
     * @param  iterable<PriceBreak>  $rows
     */
    public static function ofRows(iterable $offers, iterable $rows): self
    {
        $prices = $breaks = [];
        foreach ($offers as $offer) {
            $offer->price === null || $prices[$offer->item][$offer->supplier] = $offer->price;
        }
        foreach ($rows as $row) {
            $breaks[$row->item][$row->supplier][$row->fromQty] = $row->price;
        }

        return new self($prices, $breaks);
    }

    /**
     * In millionths of the supplier's currency; null where he has none.
     *
     * @param  int  $qty  of the line, millionths
     */
    public function price(string $item, ?string $supplier, int $qty): ?int
    {
        $reached = null;
        foreach ($supplier === null ? [] : $this->breaks[$item][$supplier] ?? [] as $from => $price) {
            if ($from <= $qty && ($reached === null || $from > $reached)) {
                $reached = $from;
            }
        }

        return $reached === null ? $this->prices[$item][$supplier ?? ''] ?? null : $this->breaks[$item][$supplier ?? ''][$reached];
    }

    /** @return array<int, int> price by least quantity, the least first; both in millionths */
    public function breaks(string $item, string $supplier): array
    {
        $breaks = $this->breaks[$item][$supplier] ?? [];
        ksort($breaks);

        return $breaks;
    }
}
