<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Stock;
use Yposta\Core\Quantity\Quantity;

/** Gives an item at a site another stock. What is held of more than there is then is held no more. */
final readonly class ChangeStock implements MovesStock
{
    /**
     * @param  int|null  $qty  millionths; null where nothing has ever been counted, so that there is no row of it
     * @param  int  $owed  millionths that were taken beyond what the books had; a count makes good for them
     */
    public function __construct(
        public string $item,
        public string $site,
        #[Column(new Decimal)] public ?int $qty,
        #[Column(new Decimal)] public int $owed = 0,
    ) {
    }

    public function apply(Network $network): Network
    {
        $item = $network->items[$this->item] ?? null;
        if ($item === null || ! isset($network->sites[$this->site])) {
            throw DoesNotFit::because('no_point', ['item' => $this->item, 'site' => $this->site]);
        }
        $qty = $this->qty ?? 0;
        if ($qty < 0 || ! Quantity::fits($qty, $item->decimals)) {
            throw $qty < 0
                ? DoesNotFit::because('stock_below_zero')
                : DoesNotFit::because('decimals', ['item' => $this->item, 'decimals' => $item->decimals]);
        }
        $stock = array_values(array_filter($network->stock, fn (Stock $row) => $row->item !== $this->item || $row->site !== $this->site));

        $blocked = StockRows::row($network, $this->item, $this->site)->blocked ?? 0;

        $network = $network->with(stock: $this->qty === null && $blocked === 0
            ? $stock
            : [...$stock, Stock::of(item: $this->item, site: $this->site, qty: $qty, blocked: $blocked, owed: $this->owed)]);

        return StockRows::trimHolds($network, $this->item, $this->site);
    }

    public function inverse(Network $before): array
    {
        $row = StockRows::row($before, $this->item, $this->site);

        return [
            new self($this->item, $this->site, $row?->qty, $row->owed ?? 0), ...StockRows::holdsBack($before, $this->apply($before)),
        ];
    }

    public function postings(Network $before): array
    {
        $moved = ($this->qty ?? 0) - $this->owed - (StockRows::row($before, $this->item, $this->site)?->net() ?? 0);

        return $moved === 0 ? [] : [new StockPosting(PostingKind::Count, $this->item, $this->site, $moved)];
    }
}
