<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;

/** So much of what was shipped of a sales line is in stock again. */
final readonly class TakeBackLine implements MovesStock
{
    use SalesChange;

    /** @param  int  $qty  millionths */
    public function __construct(public string $order, public string $line, #[Column(new Decimal)] public int $qty)
    {
    }

    public function apply(Network $network): Network
    {
        $own = self::line($network, $this->order, $this->line);
        $this->qty <= $own->shipped || throw DoesNotFit::because('taken_back_more', [
            'line' => $own->reference()->name, 'qty' => new Amount($own->shipped, $network->items[$own->item]->unit),
        ]);

        return self::putLine(
            StockRows::add($network, $own->item, $own->site, $this->qty), $own->with(shipped: $own->shipped - $this->qty),
        );
    }

    public function inverse(Network $before): array
    {
        $own = self::line($before, $this->order, $this->line);

        $ship = new ShipLine($this->order, $this->line, $this->qty, StockRows::owed($before, $own->item, $own->site) > 0);

        return [$ship, ...StockRows::holdsBack($before, $ship->apply($this->apply($before)))];
    }

    public function postings(Network $before): array
    {
        $own = self::line($before, $this->order, $this->line);

        return [new StockPosting(PostingKind::Shipment, $own->item, $own->site, $this->qty, (string) $own->reference())];
    }
}
