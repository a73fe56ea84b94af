<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

/** Time in which the same units of a centre are on. */
final readonly class Stretch
{
    /**
     * @param  int  $from  its first minute
     * @param  int  $to  the minute behind its last
     */
    public function __construct(public int $from, public int $to, public Units $units)
    {
    }

    public function minutes(): int
    {
        return $this->to - $this->from;
    }
}
