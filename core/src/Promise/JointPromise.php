<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Support\Phrase;

/** Several items for one customer, all on one day: the first working day of all their sites on which they hold together. */
final readonly class JointPromise
{
    private int $from;

    /**
     * @param  non-empty-list<array{item: string, site: string, qty: int}>  $wishes  quantities in millionths
     * @param  int  $wished  day number
     *
     * @throws DoesNotFit when there is no such thing to promise, or not on that day
     */
    public function __construct(
        private PromiseGround $ground,
        private array $wishes,
        int $wished,
        private bool $regardless = false,
    ) {
        foreach ($wishes as $wish) {
            $ground->check($wish['item'], $wish['site'], $wish['qty'], $wished);
        }
        $this->from = max($wished, $ground->options->planDate);
    }

    /** The first day, as a day number; null where there is none up to the horizon. */
    public function earliest(): ?int
    {
        $days = [];
        for ($day = $this->workingDay($this->from); $day <= $this->ground->options->horizonEnd; $day = $this->workingDay($day + 1)) {
            $days[] = $day;
        }

        return $this->ground->search->first($days, fn (int $day) => $this->ground->holds($this->lines($day), $this->regardless));
    }

    /** Why it is not sooner; null where the first day holds. */
    public function decidedBy(?int $earliest): ?Phrase
    {
        if ($earliest === $this->workingDay($this->from)) {
            return null;
        }
        $day = $this->from;
        if ($earliest !== null) {
            for ($day = $earliest - 1; $this->workingDay($day) !== $day; $day--) {
                // the working day before
            }
        }
        $lines = $this->lines($day);

        return $this->ground->read($lines, fn (Plan $plan, bool $isRoom) => $this->ground->why($plan, $isRoom, $lines));
    }

    /** @return non-empty-list<SalesLine> tentative lines, all due on a day */
    public function lines(int $day): array
    {
        return array_map(
            fn (array $wish, int $place) => PromiseGround::tentative($place + 1, $wish['item'], $wish['site'], $wish['qty'], $day),
            $this->wishes, array_keys($this->wishes),
        );
    }

    /** The first day from one on on which all sites work; behind the horizon where there is none. */
    private function workingDay(int $day): int
    {
        $end = $this->ground->options->horizonEnd;
        do {
            $before = $day;
            foreach ($this->wishes as $wish) {
                $day = $this->ground->calendar($wish['site'])->forward($day, 0);
            }
        } while ($day !== $before && $day <= $end);

        return $day;
    }
}
