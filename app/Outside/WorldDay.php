<?php

declare(strict_types=1);

namespace App\Outside;

use App\Planning\LiveNetwork;
use App\Planning\NetworkReader;
use App\Support\Refused;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Site;

/**
 * A day of the world outside, for the demo: the pinned date moves to the next working day, then suppliers, the floor, customers and
 * chance do what they do, each by the actions that people use. The same start and seed give the same days; a day is written whole or not
 * at all.
 */
final readonly class WorldDay
{
    private const MOST_DAYS_OFF = 14;

    public function __construct(
        private Suppliers $suppliers,
        private Floor $floor,
        private Customers $customers,
        private Mishap $mishap,
        private NetworkReader $reader,
        private LiveNetwork $data,
    ) {
    }

    /**
     * @return array{day: string, said: list<string>} the ISO date of the day, and what happened
     *
     * @throws Refused where the date is not pinned, as the days of a real company pass by themselves
     */
    public function __invoke(int $seed): array
    {
        Settings::get(Settings::PINNED_PLAN_DATE) !== null || throw Refused::because('day.not_pinned', [], 'demo');

        return DB::transaction(function () use ($seed): array {
            $this->data->forget();
            $today = $this->next(Day::parse(Settings::planDate()) + 1);
            Settings::set(Settings::PINNED_PLAN_DATE, Day::format($today));
            $chance = new Dice($seed * 100_000 + $today);
            $said = [];
            foreach ([$this->suppliers, $this->floor, $this->customers, $this->mishap] as $part) {
                array_push($said, ...$part->day($today, $chance));
                $this->data->forget();
            }

            return ['day' => Day::format($today), 'said' => $said];
        });
    }

    /** The first day from one on on which somebody works somewhere. */
    private function next(int $day): int
    {
        $network = $this->reader->read();
        $calendar = fn (Site $site) => $site->calendar === null ? Calendar::everyDay() : $network->calendars[$site->calendar];

        $days = array_map(fn (Site $site) => $calendar($site)->forward($day, 0), $network->sites);

        return min($day + self::MOST_DAYS_OFF, ...array_values($days));
    }
}
