<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;

/** So much of a component leaves the stock for the order that needs it. Components that the order left to the structure are written out. */
final readonly class IssuePart implements MovesStock, OfOrder
{
    use OrderChange;

    /**
     * @param  string  $line  of the component in the order
     * @param  int  $qty  millionths
     * @param  bool  $more  whether it may take more than it still needs; it then has needed as much
     * @param  bool  $below  whether more may be there than the books have
     */
    public function __construct(
        public string $order,
        public string $line,
        #[Column(new Decimal)] public int $qty,
        public bool $more = false,
        public bool $below = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        $order = self::order($network, $this->order);
        $own = self::part($network, $this->order, $this->line);
        $issued = $own->issued + $this->qty;
        $unit = $network->items[$own->item]->unit;
        StockRows::checkAmount($network, $own->item, $this->qty);
        $this->more || $issued <= $own->qty || throw DoesNotFit::because('issued_more', [
            'order' => $this->order, 'item' => $own->item, 'qty' => new Amount($this->qty, $unit), 'open' => new Amount($own->open(), $unit),
        ]);
        $network = self::putPart($network, $own->with(issued: $issued, qty: max($own->qty, $issued)));

        return StockRows::take($network, $own->item, $order->site, $this->qty, (string) $own->reference(), $this->below);
    }

    public function inverse(Network $before): array
    {
        $after = $this->apply($before);

        return [
            new ReturnPart($this->order, $this->line, $this->qty), ...StockRows::holdsBack($before, $after),
            new PutComponents($this->order, self::rows($before, $this->order)),
        ];
    }

    public function postings(Network $before): array
    {
        return [new StockPosting(
            PostingKind::Issue, self::part($before, $this->order, $this->line)->item, self::order($before, $this->order)->site,
            -$this->qty, (string) Reference::part($this->order, $this->line),
        )];
    }

    /** @throws DoesNotFit when the order has no such component */
    public static function part(Network $network, string $order, string $line): OrderComponent
    {
        foreach (self::rows($network, $order) ?: OrderRows::of($network, $order) as $row) {
            if ($row->line === $line) {
                return $row;
            }
        }
        throw DoesNotFit::because('no_component', ['order' => $order, 'line' => $line]);
    }

    /** The rows of an order with one of them as it has become. */
    public static function putPart(Network $network, OrderComponent $part): Network
    {
        $rows = self::rows($network, $part->order) ?: OrderRows::of($network, $part->order);

        return self::putRows($network, $part->order, array_map(
            fn (OrderComponent $row) => $row->line === $part->line ? $part : $row, $rows,
        ));
    }
}
