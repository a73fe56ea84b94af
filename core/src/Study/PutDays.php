<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Network\Network;

/** Puts back which single days of a calendar differ from its weekdays. */
final readonly class PutDays implements Change
{
    /**
     * @param  list<int>  $worked
     * @param  list<int>  $closed
     */
    public function __construct(
        public string $calendar,
        #[Column(new DayColumn)] public array $worked,
        #[Column(new DayColumn)] public array $closed,
    ) {
    }

    public function apply(Network $network): Network
    {
        $old = $network->calendars[$this->calendar] ?? throw DoesNotFit::because('no_calendar', ['calendar' => $this->calendar]);

        return $network->with(calendars: [
            ...$network->calendars,
            $this->calendar => $old->withDays(array_fill_keys($this->worked, true) + array_fill_keys($this->closed, false)),
        ]);
    }

    public function inverse(Network $before): array
    {
        return (new WorkDays($this->calendar, 0, 0))->inverse($before);
    }
}
