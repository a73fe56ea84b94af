<?php

declare(strict_types=1);

namespace Yposta\Core;

use InvalidArgumentException;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;

/** The settings of one run (section 8). Days are calendar days, dates day numbers; null in a list means all. */
final readonly class Options
{
    public const DEMANDS = ['sales', 'forecast'];

    public const SUPPLIES = ['stock', 'purchase', 'production', 'transfer'];

    /** The longest stretch a run may cover, in days. */
    public const LONGEST_HORIZON = 3660;

    public int $horizonEnd;

    /**
     * @param  int|null  $horizonEnd  the plan date + 365 when not given
     * @param  list<string>  $forecasts  names of the forecasts to count
     * @param  list<string>  $demand  which of {@see DEMANDS}
     * @param  list<string>  $supply  which of {@see SUPPLIES}
     * @param  list<string>|null  $sites
     * @param  list<string>|null  $items
     *
     * @throws InvalidArgumentException when the horizon ends before the plan date or too far behind it
     */
    public function __construct(
        public int $planDate,
        ?int $horizonEnd = null,
        public bool $calendars = true,
        public int $bringInDays = 30,
        public int $pushOutDays = 5,
        public array $forecasts = [],
        public bool $consume = true,
        public int $consumeBackDays = 0,
        public int $consumeForwardDays = 0,
        public bool $spread = false,
        public bool $safetyStock = true,
        public bool $pegByPriority = false,
        public array $demand = self::DEMANDS,
        public array $supply = self::SUPPLIES,
        public ?array $sites = null,
        public ?array $items = null,
        public BucketSize $bucket = BucketSize::Week,
    ) {
        $this->horizonEnd = $horizonEnd ?? $planDate + 365;
        if ($this->horizonEnd < $planDate) {
            throw new InvalidArgumentException('the horizon ends on '.Day::format($this->horizonEnd).', before the plan date '.Day::format($planDate));
        }
        if ($this->horizonEnd > $planDate + self::LONGEST_HORIZON) {
            throw new InvalidArgumentException('the horizon ends on '.Day::format($this->horizonEnd).', more than ten years after the plan date');
        }
    }

    /**
     * The options that name something the network does not hold, as sentences.
     *
     * @return list<string>
     */
    public function unknownIn(Network $network): array
    {
        $known = array_fill_keys(array_map(fn ($bucket) => $bucket->forecast, $network->forecasts), true);
        $unknown = [];
        foreach ($this->forecasts as $name) {
            isset($known[$name]) || $unknown[] = "there is no forecast {$name}";
        }
        foreach ($this->sites ?? [] as $code) {
            isset($network->sites[$code]) || $unknown[] = "there is no site {$code}";
        }
        foreach ($this->items ?? [] as $code) {
            isset($network->items[$code]) || $unknown[] = "there is no item {$code}";
        }

        return $unknown;
    }
}
