<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\Sourcing;

/**
 * Gives a purchase that has not been sent another supplier, or none. Its start becomes the day on which he has to be asked for it to come
 * when it is due.
 */
final readonly class BuyFrom implements OfOrder
{
    use OrderChange;

    public function __construct(public string $order, public ?string $supplier)
    {
    }

    public function apply(Network $network): Network
    {
        $old = self::order($network, $this->order);
        $old->kind === OrderKind::Buy || throw DoesNotFit::because('not_bought', ['order' => $this->order]);
        $old->status === OrderStatus::Firm || throw DoesNotFit::because('sent_already', ['order' => $this->order]);
        $this->supplier === null || isset($network->suppliers[$this->supplier]) || throw DoesNotFit::because('no_supplier', ['supplier' => $this->supplier]);

        $start = $old->start === null ? null : $this->start($network, $old);

        return self::put($network, $old->with(supplier: $this->supplier, start: $start));
    }

    public function inverse(Network $before): array
    {
        $old = self::order($before, $this->order);

        return [new self($this->order, $old->supplier), new ChangeDates($this->order, $old->due, $old->start)];
    }

    private function start(Network $network, OpenOrder $order): int
    {
        if ($this->supplier === null) {
            return (int) $order->start;
        }
        $planning = $network->planning[Network::key($order->item, $order->site)] ?? null;
        $lead = (new Sourcing($network->supplierItems))->offer($this->supplier, $order->item)->leadDays ?? $planning->leadDays ?? 0;
        $code = $network->suppliers[$this->supplier]->calendar ?? $network->sites[$order->site]->calendar;

        return ($code === null ? Calendar::everyDay() : $network->calendars[$code])->back($order->due, $lead);
    }
}
