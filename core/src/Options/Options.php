<?php

declare(strict_types=1);

namespace Yposta\Core\Options;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Names;
use Yposta\Core\Declaration\OneOfTwo;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\Whole;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;
use Yposta\Core\Support\Phrase;

/**
 * The settings of one run (section 8), each a row of `plan.csv`. Days are calendar days, dates day numbers; null in a list means all.
 */
#[BundleFile('plan.csv', 'settings')]
final readonly class Options
{
    use Row;

    public const DEMANDS = ['sales', 'forecast'];

    public const SUPPLIES = ['stock', 'purchase', 'production', 'transfer'];

    /** The longest stretch a run may cover, in days. */
    public const LONGEST_HORIZON = 3660;

    /** Days from the plan date to the horizon where none is given. */
    private const USUAL_HORIZON = 365;

    #[Column(new DayColumn)]
    public int $planDate;

    #[Column(new DayColumn, '', note: 'plan date + 365')]
    public int $horizonEnd;

    #[Column(new OneOfTwo('off', 'on'), 'on')]
    public bool $calendars;

    #[Column(new Whole(0, self::LONGEST_HORIZON), '30')]
    public int $bringInDays;

    #[Column(new Whole(0, self::LONGEST_HORIZON), '5')]
    public int $pushOutDays;

    /** @var list<string> names of the forecasts to count */
    #[Column(new Names, ';', note: 'none')]
    public array $forecasts;

    #[Column(new OneOfTwo('off', 'on'), 'on')]
    public bool $consume;

    #[Column(new Whole(0, self::LONGEST_HORIZON), '0')]
    public int $consumeBackDays;

    #[Column(new Whole(0, self::LONGEST_HORIZON), '0')]
    public int $consumeForwardDays;

    #[Column(new OneOfTwo('start', 'spread'), 'start', 'forecast_placement')]
    public bool $spread;

    #[Column(new OneOfTwo('off', 'on'), 'on')]
    public bool $safetyStock;

    #[Column(new OneOfTwo('date', 'priority'), 'date', 'peg_rule')]
    public bool $pegByPriority;

    /** @var list<string> which of {@see DEMANDS} */
    #[Column(new Names(self::DEMANDS), 'sales;forecast', note: 'all')]
    public array $demand;

    /** @var list<string> which of {@see SUPPLIES} */
    #[Column(new Names(self::SUPPLIES), 'stock;purchase;production;transfer', note: 'all')]
    public array $supply;

    /** @var list<string>|null */
    #[Column(new Names, '', note: 'all')]
    public ?array $sites;

    /** @var list<string>|null */
    #[Column(new Names, '', note: 'all')]
    public ?array $items;

    /** Whether what has been scheduled is there by its operations, see {@see \Yposta\Core\Scheduling\ShopPlan}. */
    #[Column(new OneOfTwo('off', 'on'), 'off')]
    public bool $schedule;

    /** Proposals that start in so many days from the plan date are laid in the shop, too. */
    #[Column(new Whole(0, self::LONGEST_HORIZON), '0')]
    public int $scheduleDays;

    #[Column(new Choice(BucketSize::class), 'week')]
    public BucketSize $bucket;

    /**
     * @param  array<mixed>  $values  of every property, by its name
     *
     * @throws InvalidOptions when the horizon ends before the plan date or too far behind it
     */
    private function __construct(array $values)
    {
        foreach ($values as $name => $value) {
            $this->{(string) $name} = $name === 'horizonEnd' ? $value ?? $this->planDate + self::USUAL_HORIZON : $value;
        }
        if ($this->horizonEnd < $this->planDate) {
            throw new InvalidOptions(new Phrase(
                'options.horizon_before',
                ['end' => new Date($this->horizonEnd), 'day' => new Date($this->planDate)],
            ));
        }
        if ($this->horizonEnd > $this->planDate + self::LONGEST_HORIZON) {
            throw new InvalidOptions(new Phrase('options.horizon_too_far', ['end' => new Date($this->horizonEnd)]));
        }
    }

    /** @return list<Phrase> what the options name and the network does not hold */
    public function unknownIn(Network $network): array
    {
        $known = array_fill_keys(array_map(fn ($bucket) => $bucket->forecast, $network->forecasts), true);
        $unknown = [];
        foreach ($this->forecasts as $name) {
            isset($known[$name]) || $unknown[] = new Phrase('options.no_forecast', ['name' => $name]);
        }
        foreach ($this->sites ?? [] as $code) {
            isset($network->sites[$code]) || $unknown[] = new Phrase('options.no_site', ['name' => $code]);
        }
        foreach ($this->items ?? [] as $code) {
            isset($network->items[$code]) || $unknown[] = new Phrase('options.no_item', ['name' => $code]);
        }

        return $unknown;
    }
}
