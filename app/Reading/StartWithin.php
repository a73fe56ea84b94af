<?php

declare(strict_types=1);

namespace App\Reading;

use Yposta\Core\Calendar\Day;

/** The time within which what is proposed is to start. */
enum StartWithin: string
{
    case Today = 'today';
    case Week = 'week';
    case Fortnight = 'fortnight';
    case All = 'all';

    /** Its last day as a day number; null where it has none. */
    public function lastDay(int $planDate): ?int
    {
        return match ($this) {
            self::Today => $planDate,
            self::Week => Day::weekStart($planDate) + 6,
            self::Fortnight => Day::weekStart($planDate) + 13,
            self::All => null,
        };
    }

    /**
     * The shortest from a week on in which something is to start, so that a list opens on something; all where nothing is.
     *
     * @param  callable(self): bool  $holdsAny
     */
    public static function opening(callable $holdsAny): self
    {
        foreach ([self::Week, self::Fortnight] as $within) {
            if ($holdsAny($within)) {
                return $within;
            }
        }

        return self::All;
    }
}
