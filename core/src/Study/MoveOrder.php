<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;

/**
 * Moves an open order to another due date. Its start and the dates on which it needs its components move with it by as many working
 * days, unless another start is given. A start that the order left to the lead time stays so.
 */
final readonly class MoveOrder implements OfOrder
{
    use OrderChange;

    public function __construct(
        public string $order,
        #[Column(new DayColumn)] public int $due,
        #[Column(new DayColumn)] public ?int $start = null,
    ) {
    }

    /**
     * What makes an order begin no earlier than a day, as when its material is missing until then; null when it does not begin earlier.
     *
     * @throws DoesNotFit
     */
    public static function notBefore(Network $network, string $code, int $day): ?self
    {
        $order = self::order($network, $code);
        $calendar = (new self($code, $order->due))->calendar($network, $order);
        $planning = $network->planning[Network::key($order->item, $order->site)] ?? null;
        $start = $order->start ?? $calendar->back($order->due, $planning->leadDays ?? 0);
        $begin = $calendar->forward($day, 0);

        return $start >= $begin ? null : new self($code, $calendar->forward($order->due, $calendar->steps($start, $begin)), $begin);
    }

    public function apply(Network $network): Network
    {
        $old = self::order($network, $this->order);
        $calendar = $this->calendar($network, $old);
        $start = $this->start ?? ($old->start === null ? null : self::shifted($calendar, $old->start, $old->due, $this->due));
        if ($start !== null && $start > $this->due) {
            throw DoesNotFit::because('starts_after_due', ['order' => $this->order]);
        }
        $network = self::put($network, $old->with(due: $this->due, start: $start));
        $rows = self::rows($network, $this->order);
        $moved = array_map(function (OrderComponent $row) use ($calendar, $old, $start): OrderComponent {
            if ($row->need === null) {
                return $row;
            }

            return $row->with(need: $old->start === null || $start === null
                ? self::shifted($calendar, $row->need, $old->due, $this->due)
                : self::shifted($calendar, $row->need, $old->start, $start));
        }, $rows);

        return $moved == $rows ? $network : self::putRows($network, $this->order, $moved);
    }

    public function inverse(Network $before): array
    {
        $old = self::order($before, $this->order);
        $rows = self::rows($before, $this->order);
        $back = new ChangeDates($this->order, $old->due, $old->start);

        return $rows === [] ? [$back] : [$back, new PutComponents($this->order, $rows)];
    }

    /** The day that is as many working days from one anchor as another day is from the other anchor. */
    private static function shifted(Calendar $calendar, int $day, int $from, int $to): int
    {
        return $day <= $from ? $calendar->back($to, $calendar->steps($day, $from)) : $calendar->forward($to, $calendar->steps($from, $day));
    }

    private function calendar(Network $network, OpenOrder $order): Calendar
    {
        $code = $order->kind === OrderKind::Buy && $order->supplier !== null ? $network->suppliers[$order->supplier]->calendar : null;
        $code ??= $network->sites[$order->site]->calendar;

        return $code === null ? Calendar::everyDay() : $network->calendars[$code];
    }
}
