<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;

/** So much of a sales line leaves the stock for its customer. */
final readonly class ShipLine implements MovesStock
{
    use SalesChange;

    /**
     * @param  int  $qty  millionths
     * @param  bool  $below  whether more may be there than the books have
     */
    public function __construct(
        public string $order,
        public string $line,
        #[Column(new Decimal)] public int $qty,
        public bool $below = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        $own = self::line($network, $this->order, $this->line);
        $own->heldUntil === null || throw DoesNotFit::because('only_held', ['line' => $own->reference()->name]);
        $this->qty <= $own->open() || throw DoesNotFit::because('shipped_more', [
            'line' => $own->reference()->name, 'qty' => new Amount($this->qty, $network->items[$own->item]->unit),
            'open' => new Amount($own->open(), $network->items[$own->item]->unit),
        ]);
        $network = StockRows::take($network, $own->item, $own->site, $this->qty, (string) $own->reference(), $this->below);

        return self::putLine($network, $own->with(shipped: $own->shipped + $this->qty));
    }

    public function inverse(Network $before): array
    {
        return [new TakeBackLine($this->order, $this->line, $this->qty), ...StockRows::holdsBack($before, $this->apply($before))];
    }

    public function postings(Network $before): array
    {
        $own = self::line($before, $this->order, $this->line);

        return [new StockPosting(PostingKind::Shipment, $own->item, $own->site, -$this->qty, (string) $own->reference())];
    }
}
