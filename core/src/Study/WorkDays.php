<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Network\Network;

/** Closes days of a calendar, or works on days that are closed. */
final readonly class WorkDays implements Change
{
    /** The most days in one change. */
    private const MOST = 400;

    public function __construct(
        public string $calendar,
        #[Column(new DayColumn)] public int $from,
        #[Column(new DayColumn)] public int $to,
        public bool $works = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        $old = $network->calendars[$this->calendar] ?? throw DoesNotFit::because('no_calendar', ['calendar' => $this->calendar]);
        if ($this->to < $this->from || $this->to - $this->from > self::MOST) {
            throw DoesNotFit::because('days', ['most' => self::MOST]);
        }
        $days = $old->exceptions();
        for ($day = $this->from; $day <= $this->to; $day++) {
            $days[$day] = $this->works;
        }

        return $network->with(calendars: [...$network->calendars, $this->calendar => $old->withDays($days)]);
    }

    public function inverse(Network $before): array
    {
        $old = $before->calendars[$this->calendar] ?? throw DoesNotFit::because('no_calendar', ['calendar' => $this->calendar]);

        return [new PutDays(
            $this->calendar,
            array_keys(array_filter($old->exceptions())),
            array_keys(array_filter($old->exceptions(), fn (bool $works) => ! $works)),
        )];
    }
}
