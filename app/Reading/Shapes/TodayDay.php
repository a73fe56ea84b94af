<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What starts, arrives and leaves on a working day, and how much of it has trouble. */
final readonly class TodayDay
{
    public function __construct(
        public string $day,
        public int $start,
        public int $startTrouble,
        public int $arrive,
        public int $arriveTrouble,
        public int $leave,
        public int $leaveTrouble,
    ) {
    }
}
