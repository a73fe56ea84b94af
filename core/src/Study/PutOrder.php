<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Quantity\Quantity;

/** Puts an order into the network: one that was taken away, or what a proposal becomes when it is converted. */
final readonly class PutOrder implements Change
{
    use OrderChange;

    /**
     * @param  string  $kind  make, buy or transfer
     * @param  string  $status  firm or released
     * @param  int|null  $start  null leaves it to the lead time
     * @param  list<OrderComponent>  $rows  none leaves the components to the structure
     */
    public function __construct(
        public string $order,
        public string $kind,
        public string $item,
        public string $site,
        public int $qty,
        public int $due,
        public ?int $start = null,
        public ?string $supplier = null,
        public ?string $fromSite = null,
        public int $priority = 5,
        public string $status = 'firm',
        public int $received = 0,
        public bool $pinned = false,
        public array $rows = [],
    ) {
    }

    /** @param  list<OrderComponent>  $rows */
    public static function of(OpenOrder $order, array $rows): self
    {
        return new self(
            $order->code, $order->kind->value, $order->item, $order->site, $order->qty, $order->due, $order->start, $order->supplier, $order->fromSite,
            $order->priority, $order->status->value, $order->received, $order->pinned, $rows,
        );
    }

    public function apply(Network $network): Network
    {
        if (isset($network->orders[$this->order])) {
            throw new DoesNotFit("there is an order {$this->order} already");
        }
        if (! isset($network->items[$this->item], $network->sites[$this->site])) {
            throw new DoesNotFit("there is no {$this->item} at {$this->site}");
        }
        if ($this->qty <= 0 || ! Quantity::fits($this->qty, $network->items[$this->item]->decimals)) {
            throw new DoesNotFit($this->qty <= 0 ? 'an order is of a quantity above 0' : "{$this->item} has {$network->items[$this->item]->decimals} decimals");
        }
        if ($this->start !== null && $this->start > $this->due) {
            throw new DoesNotFit("the order of {$this->item} would start after it is due");
        }
        if ($this->supplier !== null && ! isset($network->suppliers[$this->supplier])) {
            throw new DoesNotFit("there is no supplier {$this->supplier}");
        }
        if ($this->fromSite !== null && (! isset($network->sites[$this->fromSite]) || $this->fromSite === $this->site)) {
            throw new DoesNotFit("{$this->item} cannot be moved from {$this->fromSite} to {$this->site}");
        }
        $kind = OrderKind::tryFrom($this->kind) ?? throw new DoesNotFit("'{$this->kind}' is no kind of order");
        $order = new OpenOrder(
            $this->order, $kind, OrderStatus::from($this->status), $this->item, $this->site, $kind === OrderKind::Transfer ? $this->fromSite : null, $kind === OrderKind::Buy ? $this->supplier : null,
            $this->qty, $this->received, $this->start, $this->due, $this->pinned, $this->priority,
        );

        return self::putRows(self::put($network, $order), $this->order, $this->rows);
    }

    public function inverse(Network $before): array
    {
        return [new RemoveOrder($this->order)];
    }
}
