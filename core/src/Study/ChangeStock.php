<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Stock;
use Yposta\Core\Quantity\Quantity;

/** Gives an item at a site another stock. */
final readonly class ChangeStock implements Change
{
    public function __construct(public string $item, public string $site, #[Column(new Decimal)] public int $qty)
    {
    }

    public function apply(Network $network): Network
    {
        $item = $network->items[$this->item] ?? null;
        if ($item === null || ! isset($network->sites[$this->site])) {
            throw DoesNotFit::because('no_point', ['item' => $this->item, 'site' => $this->site]);
        }
        if ($this->qty < 0 || ! Quantity::fits($this->qty, $item->decimals)) {
            throw $this->qty < 0
                ? DoesNotFit::because('stock_below_zero')
                : DoesNotFit::because('decimals', ['item' => $this->item, 'decimals' => $item->decimals]);
        }
        $stock = array_values(array_filter($network->stock, fn (Stock $row) => $row->item !== $this->item || $row->site !== $this->site));

        return $network->with(stock: [...$stock, Stock::of(item: $this->item, site: $this->site, qty: $this->qty)]);
    }

    public function inverse(Network $before): array
    {
        $qty = 0;
        foreach ($before->stock as $row) {
            $row->item === $this->item && $row->site === $this->site && $qty = $row->qty;
        }

        return [new self($this->item, $this->site, $qty)];
    }
}
