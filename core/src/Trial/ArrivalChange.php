<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use LogicException;

/** A sales line or an open order whose arrival a change moves. */
final readonly class ArrivalChange
{
    public function __construct(public ?Arrival $before, public ?Arrival $after)
    {
    }

    public function arrival(): Arrival
    {
        return $this->after ?? $this->before ?? throw new LogicException('a slip is of something');
    }

    /** Days by which it arrives later, less than 0 when earlier; what is new or gone does not move. */
    public function days(): int
    {
        return $this->before?->expected === null || $this->after?->expected === null ? 0 : $this->after->expected - $this->before->expected;
    }

    /** Whether it gets worse: it is late, and later than before. */
    public function hurts(): bool
    {
        return $this->after !== null
            && ($this->after->lateDays() > ($this->before?->lateDays() ?? 0) || $this->after->uncovered > ($this->before->uncovered ?? 0));
    }

    /** Whether it gets better: it was late, and is less so. */
    public function helps(): bool
    {
        return $this->before !== null && $this->after !== null && $this->before->lateDays() > $this->after->lateDays();
    }
}
