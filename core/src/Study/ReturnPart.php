<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;

/** So much of a component comes back into stock from the order that it went into. */
final readonly class ReturnPart implements MovesStock, OfOrder
{
    use OrderChange;

    /**
     * @param  string  $line  of the component in the order
     * @param  int  $qty  millionths
     */
    public function __construct(public string $order, public string $line, #[Column(new Decimal)] public int $qty)
    {
    }

    public function apply(Network $network): Network
    {
        $order = self::order($network, $this->order);
        $own = IssuePart::part($network, $this->order, $this->line);
        $this->qty <= $own->issued || throw DoesNotFit::because('returned_more', [
            'order' => $this->order, 'item' => $own->item, 'qty' => new Amount($own->issued, $network->items[$own->item]->unit),
        ]);
        $network = IssuePart::putPart($network, $own->with(issued: $own->issued - $this->qty));

        return StockRows::add($network, $own->item, $order->site, $this->qty);
    }

    public function inverse(Network $before): array
    {
        $item = IssuePart::part($before, $this->order, $this->line)->item;

        $below = StockRows::owed($before, $item, self::order($before, $this->order)->site) > 0;
        $issue = new IssuePart($this->order, $this->line, $this->qty, below: $below);

        return [$issue, ...StockRows::holdsBack($before, $issue->apply($this->apply($before)))];
    }

    public function postings(Network $before): array
    {
        return [new StockPosting(
            PostingKind::Issue, IssuePart::part($before, $this->order, $this->line)->item, self::order($before, $this->order)->site,
            $this->qty, (string) Reference::part($this->order, $this->line),
        )];
    }
}
