<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Calendar\Day;

/** ISO dates of the tables and day numbers of the core; both directions are remembered, for plans repeat few dates often. */
final class Dates
{
    /** @var array<int, string> */
    private array $iso = [];

    /** @var array<string, int> */
    private array $days = [];

    public function iso(int $day): string
    {
        return $this->iso[$day] ??= Day::format($day);
    }

    /** @return ($day is null ? null : string) */
    public function isoOrNull(?int $day): ?string
    {
        return $day === null ? null : $this->iso($day);
    }

    public function day(string $iso): int
    {
        return $this->days[$iso] ??= Day::parse(substr($iso, 0, 10));
    }

    /** @return ($iso is null ? null : int) */
    public function dayOrNull(?string $iso): ?int
    {
        return $iso === null ? null : $this->day($iso);
    }
}
