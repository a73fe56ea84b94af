<?php

declare(strict_types=1);

namespace Tests\Reference;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\LotRule;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\Planning;
use Yposta\Core\Options\Options;
use Yposta\Core\Quantity\Quantity;

/**
 * The planning rules once more, written as plainly as can be: no pointers, no tables, every sum taken anew, fractions as fractions.
 *
 * It shares nothing with the core but the input, so that the two can be held against each other on random networks.
 * Quantities are millionths, dates day numbers.
 */
final class NaivePlanner
{
    private const DEMAND_KINDS = ['forecast', 'job', 'out', 'part', 'safety', 'sales'];

    private const SUPPLY_KINDS = ['stock', 'order', 'proposal'];

    /** @var array<string, array{item: string, site: string, level: int}> */
    private array $points = [];

    /** @var list<array<string, mixed>> */
    private array $demands = [];

    /** @var list<array<string, mixed>> */
    private array $supplies = [];

    /** @var list<array<string, mixed>> */
    private array $messages = [];

    /** @var list<array<string, mixed>> */
    private array $pegs = [];

    private int $numbers = 0;

    /** @var array<string, array{item: string, site: string, level: int}> points that the run counts */
    private array $scope = [];

    public function __construct(private readonly Network $network, private readonly Options $options)
    {
    }

    /** @return array<string, list<string>> rows of the output files as text, without texts and hold-ups */
    public function plan(): array
    {
        $this->findPoints();
        $this->findLevels();
        $this->findScope();
        $this->openSupply();
        $this->independentDemand();
        $order = array_keys($this->scope);
        usort(
            $order,
            fn (string $a, string $b) => [$this->points[$a]['level'], 0] <=> [$this->points[$b]['level'], 0] ?: strcmp(
                $this->points[$a]['item'],
                $this->points[$b]['item'],
            ) ?: strcmp($this->points[$a]['site'], $this->points[$b]['site']),
        );
        foreach ($order as $key) {
            $this->net($key);
        }
        foreach (array_reverse($order) as $key) {
            $this->project($key);
        }

        return $this->output();
    }

    // --- calendars -----------------------------------------------------------

    private function works(?string $calendar, int $day): bool
    {
        return $calendar === null || ! $this->options->calendars || $this->network->calendars[$calendar]->works($day);
    }

    private function back(?string $calendar, int $day, int $steps): int
    {
        while (! $this->works($calendar, $day)) {
            $day--;
        }
        for (; $steps > 0; $steps--) {
            do {
                $day--;
            } while (! $this->works($calendar, $day));
        }

        return $day;
    }

    private function forward(?string $calendar, int $day, int $steps): int
    {
        while (! $this->works($calendar, $day)) {
            $day++;
        }
        for (; $steps > 0; $steps--) {
            do {
                $day++;
            } while (! $this->works($calendar, $day));
        }

        return $day;
    }

    // --- what is planned, and by which rules ---------------------------------

    private function planning(string $key): Planning
    {
        return $this->network->planning[$key] ?? Planning::defaults($this->points[$key]['item'], $this->points[$key]['site']);
    }

    private function siteCalendar(string $key): ?string
    {
        return $this->network->sites[$this->points[$key]['site']]->calendar;
    }

    private function supplier(string $key): ?string
    {
        if ($this->planning($key)->supplier !== null) {
            return $this->planning($key)->supplier;
        }
        $offers = array_filter($this->network->supplierItems, fn ($offer) => $offer->item === $this->points[$key]['item']);
        usort($offers, fn ($a, $b) => $a->rank <=> $b->rank ?: strcmp($a->supplier, $b->supplier));

        return $offers === [] ? null : $offers[0]->supplier;
    }

    private function offer(string $key): ?object
    {
        foreach ($this->network->supplierItems as $offer) {
            if ($this->isBought($key) && $offer->item === $this->points[$key]['item'] && $offer->supplier === $this->supplier($key)) {
                return $offer;
            }
        }

        return null;
    }

    private function isBought(string $key): bool
    {
        return $this->planning($key)->supply === OrderKind::Buy;
    }

    private function lead(string $key): int
    {
        return $this->offer($key)?->leadDays ?? $this->planning($key)->leadDays ?? 0;
    }

    private function leadCalendar(string $key): ?string
    {
        $supplier = $this->isBought($key) ? $this->supplier($key) : null;

        return ($supplier === null ? null : $this->network->suppliers[$supplier]->calendar) ?? $this->siteCalendar($key);
    }

    private function safety(string $key): int
    {
        return $this->options->safetyStock ? $this->planning($key)->safetyStock : 0;
    }

    private function floor(string $key): int
    {
        return $this->planning($key)->lotRule === LotRule::MinMax ? (int) $this->planning($key)->stockMin : $this->safety($key);
    }

    // --- structure -----------------------------------------------------------

    private function findPoints(): void
    {
        foreach ([
            $this->network->planning, $this->network->stock, $this->network->forecasts, $this->network->sales,
            $this->network->orders,
        ] as $rows) {
            foreach ($rows as $row) {
                $this->point($row->item, $row->site);
            }
        }
        foreach ($this->approved() as $line) {
            $this->point($line->item, $line->site);
        }
        foreach ($this->network->orders as $order) {
            $order->fromSite === null || $this->point($order->item, $order->fromSite);
        }
        foreach ($this->network->components as $component) {
            $this->point($component->item, $this->network->orders[$component->order]->site);
        }
        do {
            $before = count($this->points);
            foreach (array_keys($this->points) as $key) {
                foreach ($this->below($key) as $below) {
                    [$item, $site] = explode("\x1f", $below);
                    $this->point($item, $site);
                }
            }
        } while (count($this->points) > $before);
    }

    private function point(string $item, string $site): string
    {
        $key = Network::key($item, $site);
        $this->points[$key] ??= ['item' => $item, 'site' => $site, 'level' => 0];

        return $key;
    }

    /** @return list<string> points that a point takes from */
    private function below(string $key): array
    {
        ['item' => $item, 'site' => $site] = $this->points[$key];
        $planning = $this->planning($key);
        $below = [];
        if ($planning->supply === OrderKind::Transfer) {
            $below[] = Network::key($item, (string) $planning->fromSite);
        }
        $fromStructure = $planning->supply === OrderKind::Make;
        foreach ($this->network->orders as $order) {
            if ($order->kind === OrderKind::Make && $order->item === $item && $order->site === $site) {
                $rows = $this->rowsOf($order->code);
                foreach ($rows as $row) {
                    $below[] = Network::key($row->item, $site);
                }
                $fromStructure = $fromStructure || $rows === [];
            }
        }
        foreach ($fromStructure ? $this->lines($item, $site) : [] as $line) {
            $below[] = Network::key($line['component'], $site);
        }

        return array_values(array_unique($below));
    }

    private function findLevels(): void
    {
        do {
            $changed = false;
            foreach (array_keys($this->points) as $key) {
                foreach ($this->below($key) as $below) {
                    if ($this->points[$below]['level'] <= $this->points[$key]['level']) {
                        $this->points[$below]['level'] = $this->points[$key]['level'] + 1;
                        $changed = true;
                    }
                }
            }
        } while ($changed);
    }

    /** The points that the run counts: of the sites, and of the items with all that is below them. */
    private function findScope(): void
    {
        $scope = array_filter(
            $this->points,
            fn (array $point) => $this->options->items === null || in_array($point['item'], $this->options->items, true),
        );
        do {
            $before = count($scope);
            foreach (array_keys($scope) as $key) {
                foreach ($this->below($key) as $below) {
                    $scope[$below] = $this->points[$below];
                }
            }
        } while (count($scope) > $before);
        $this->scope = array_filter(
            $scope,
            fn (array $point) => $this->options->sites === null || in_array($point['site'], $this->options->sites, true),
        );
    }

    private function counts(OrderKind $kind): bool
    {
        return in_array(
            ['make' => 'production', 'buy' => 'purchase', 'transfer' => 'transfer'][$kind->value],
            $this->options->supply,
            true,
        );
    }

    /** @return list<array{line: string, component: string, perOrder: bool, factor: BigRational, offset: int, windows: list<array{?int, ?int}>}> */
    private function lines(string $item, string $site): array
    {
        $own = array_filter(
            $this->network->bom,
            fn (BomLine $line) => $line->item === $item && ($line->site === null || $line->site === $site),
        );
        usort($own, fn (BomLine $a, BomLine $b) => self::compareLines($a->line, $b->line));
        $found = [];
        foreach ($own as $line) {
            $perOrder = $line->basis === Basis::Order;
            $factor = BigRational::of($line->qty)->dividedBy($perOrder ? Quantity::ONE : $line->baseQty)
                ->dividedBy(BigRational::of(1)->minus(BigRational::of($line->scrap)->dividedBy(100 * Quantity::ONE)));
            $window = [[$line->validFrom, $line->validTo]];
            if (! $this->network->items[$line->component]->phantom) {
                $found[] = [
                    'line' => $line->line, 'component' => $line->component, 'perOrder' => $perOrder, 'factor' => $factor,
                    'offset' => $line->offsetDays, 'windows' => $window,
                ];

                continue;
            }
            foreach ($this->lines($line->component, $site) as $inner) {
                $found[] = [
                    'line' => "{$line->line}.{$inner['line']}", 'component' => $inner['component'],
                    'perOrder' => $inner['perOrder'] || $perOrder,
                    'factor' => $inner['perOrder'] ? $inner['factor'] : $factor->multipliedBy($inner['factor']),
                    'offset' => $line->offsetDays + $inner['offset'], 'windows' => [...$window, ...$inner['windows']],
                ];
            }
        }

        return $found;
    }

    /** @param  array{perOrder: bool, factor: BigRational, component: string}  $line */
    private function requirement(array $line, int $qty): int
    {
        $step = Quantity::step($this->network->items[$line['component']]->decimals);
        $exact = $line['factor']->multipliedBy($line['perOrder'] ? Quantity::ONE : $qty)->dividedBy($step);

        return BigInteger::of($exact->toScale(0, RoundingMode::CEILING))->multipliedBy($step)->toInt();
    }

    /** @param  array{windows: list<array{?int, ?int}>}  $line */
    private function isValid(array $line, int $day): bool
    {
        foreach ($line['windows'] as [$from, $to]) {
            if (($from !== null && $day < $from) || ($to !== null && $day > $to)) {
                return false;
            }
        }

        return true;
    }

    // --- supply and demand that is given -------------------------------------

    /** @return list<object> */
    private function rowsOf(string $order): array
    {
        $rows = array_filter($this->network->components, fn ($row) => $row->order === $order);
        usort($rows, fn ($a, $b) => self::compareLines($a->line, $b->line));

        return $rows;
    }

    private function openSupply(): void
    {
        $today = $this->options->planDate;
        foreach ($this->network->stock as $stock) {
            $counted = in_array('stock', $this->options->supply, true) && isset($this->scope[Network::key($stock->item, $stock->site)]);
            $counted
                && $stock->qty > 0
                && $this->supplies[] = [
                    'kind' => 'stock', 'type' => null, 'key' => Network::key($stock->item, $stock->site),
                    'name' => "{$stock->item}@{$stock->site}", 'qty' => $stock->qty, 'due' => $today, 'effective' => $today,
                    'start' => $today, 'pinned' => false, 'released' => false, 'inputs' => [], 'tied' => null,
                ];
        }
        foreach ($this->network->orders as $order) {
            $open = $order->qty - $order->received;
            $key = Network::key($order->item, $order->site);
            if ($open <= 0 || ! $this->counts($order->kind) || ! isset($this->scope[$key])) {
                continue;
            }
            $start = $order->start ?? ($order->kind === OrderKind::Buy
                ? $this->back($this->leadCalendar($key), $order->due, $this->lead($key))
                : $this->back($this->siteCalendar($key), $order->due, $this->planning($key)->leadDays ?? 0));
            $supply = count($this->supplies);
            $this->supplies[] = [
                'kind' => 'order', 'type' => $order->kind, 'key' => $key, 'name' => $order->code, 'qty' => $open, 'due' => $order->due,
                'effective' => max($order->due, $today), 'start' => $start,
                'pinned' => $order->pinned, 'released' => $order->status === OrderStatus::Released, 'inputs' => [], 'tied' => null,
            ];
            $order->due < $today && $this->say('overdue', "order:{$order->code}", $key, $order->due, $today, $open);
            if ($order->kind === OrderKind::Transfer && $order->status === OrderStatus::Firm) {
                $this->want(
                    'out', false, $order->code, '', Network::key($order->item, (string) $order->fromSite), $open, $start,
                    $order->priority, $supply,
                );
            }
            foreach ($this->rowsOf($order->code) as $row) {
                $this->want(
                    'part', false, $order->code, $row->line, Network::key($row->item, $order->site), $row->qty - $row->issued,
                    $row->need ?? $start, $order->priority, $supply,
                );
            }
            if ($order->kind === OrderKind::Make && $this->rowsOf($order->code) === []) {
                foreach ($this->lines($order->item, $order->site) as $line) {
                    $this->isValid($line, max($start, $today))
                        && $this->want(
                            'part', false, $order->code, $line['line'], Network::key($line['component'], $order->site),
                            $this->requirement($line, $open), $start, $order->priority, $supply,
                        );
                }
            }
        }
    }

    /** @return list<object> lines of jobs that are demand */
    private function approved(): array
    {
        return array_values(array_filter($this->network->jobLines, fn (object $line) => $line->approved && $line->item !== null));
    }

    private function independentDemand(): void
    {
        foreach (in_array('sales', $this->options->demand, true) ? $this->network->sales : [] as $line) {
            $this->want(
                'sales', false, $line->order, $line->line, Network::key($line->item, $line->site), $line->qty - $line->shipped,
                $line->due, $line->priority, null,
            );
        }
        foreach (in_array('sales', $this->options->demand, true) ? $this->approved() : [] as $line) {
            $this->want(
                'job', false, $line->job, $line->line, Network::key($line->item, $line->site), $line->qty - $line->issued,
                $line->due, $this->network->jobs[$line->job]->priority, null,
            );
        }
        $left = [];
        foreach ($this->network->forecasts as $place => $bucket) {
            $left[$place] = in_array($bucket->forecast, $this->options->forecasts, true) && in_array('forecast', $this->options->demand, true)
                ? $bucket->qty
                : 0;
        }
        $names = $this->options->forecasts;
        sort($names, SORT_STRING);
        $eats = $this->options->consume && in_array('sales', $this->options->demand, true);
        $lines = $eats ? [...$this->approved(), ...$this->network->sales] : [];
        $of = fn (object $line): string => isset($line->job) ? "job:{$line->job}" : "sales:{$line->order}";
        usort($lines, fn ($a, $b) => $a->due <=> $b->due ?: strcmp($of($a), $of($b)) ?: self::compareLines($a->line, $b->line));
        foreach ($lines as $line) {
            $hungry = $line->qty;
            foreach ($names as $name) {
                $own = $earlier = $later = [];
                foreach ($this->network->forecasts as $place => $bucket) {
                    if ($bucket->forecast !== $name || $bucket->item !== $line->item || $bucket->site !== $line->site) {
                        continue;
                    }
                    $end = $bucket->bucket->endOf($bucket->start);
                    if ($bucket->start <= $line->due && $line->due <= $end) {
                        $own[$place] = $bucket->start;
                    } elseif ($end < $line->due && $line->due - $end <= $this->options->consumeBackDays) {
                        $earlier[$place] = $bucket->start;
                    } elseif ($bucket->start > $line->due && $bucket->start - $line->due <= $this->options->consumeForwardDays) {
                        $later[$place] = $bucket->start;
                    }
                }
                asort($own);
                arsort($earlier);
                asort($later);
                foreach ([...array_keys($own), ...array_keys($earlier), ...array_keys($later)] as $place) {
                    $eaten = min($left[$place], $hungry);
                    $left[$place] -= $eaten;
                    $hungry -= $eaten;
                }
            }
        }
        foreach ($this->network->forecasts as $place => $bucket) {
            $left[$place] > 0
                && $bucket->bucket->endOf($bucket->start) >= $this->options->planDate
                && $this->placeForecast($bucket, $left[$place]);
        }
    }

    private function placeForecast(object $bucket, int $left): void
    {
        $key = Network::key($bucket->item, $bucket->site);
        $calendar = $this->siteCalendar($key);
        $today = $this->options->planDate;
        $end = $bucket->bucket->endOf($bucket->start);
        $days = [];
        for ($day = max($bucket->start, $today); $day <= $end && $this->options->spread && $bucket->bucket->value !== 'day'; $day++) {
            $this->works($calendar, $day) && $days[] = $day;
        }
        if ($days === []) {
            $this->want(
                'forecast', false, $bucket->forecast, Day::format($bucket->start), $key, $left,
                max($today, $this->forward($calendar, $bucket->start, 0)), 9, null,
            );

            return;
        }
        $step = Quantity::step($this->network->items[$bucket->item]->decimals);
        $parts = array_fill(0, count($days), 0);
        for ($piece = 0; $piece < intdiv($left, $step); $piece++) {
            $parts[$piece % count($days)] += $step;
        }
        foreach ($days as $place => $day) {
            $this->want('forecast', false, $bucket->forecast, Day::format($day), $key, $parts[$place], $day, 9, null);
        }
    }

    private function want(
        string $kind,
        bool $ofProposal,
        string $name,
        string $line,
        string $key,
        int $qty,
        int $date,
        int $priority,
        ?int $for,
    ): void {
        if ($qty <= 0 || $date > $this->options->horizonEnd || ! isset($this->scope[$key])) {
            return;
        }
        $today = $this->options->planDate;
        $ref = $kind.':'.$name.($line === '' ? '' : "/{$line}");
        if ($date < $today) {
            $this->say('late_demand', $ref, $key, $date, $today, $qty);
            $date = $today;
        }
        $number = count($this->demands);
        $this->demands[] = [
            'kind' => $kind, 'ofProposal' => $ofProposal, 'name' => $name, 'line' => $line, 'ref' => $ref, 'key' => $key, 'qty' => $qty,
            'date' => $date,
            'need' => max($today, $this->back($this->siteCalendar($key), $date, $this->planning($key)->safetyDays)),
            'priority' => $priority, 'uncovered' => $qty, 'expected' => null,
        ];
        if ($for !== null) {
            $this->supplies[$for]['inputs'][] = $number;
        }
    }

    private function say(string $code, string $ref, string $key, ?int $from, ?int $to, int $qty): void
    {
        $this->messages[] = ['code' => $code, 'ref' => $ref, 'key' => $key, 'from' => $from, 'to' => $to, 'qty' => $qty];
    }

    // --- netting -------------------------------------------------------------

    private function net(string $key): void
    {
        $rule = $this->planning($key)->lotRule;
        $today = $this->options->planDate;
        $floor = $this->floor($key);
        $wanted = array_keys(array_filter($this->demands, fn (array $demand) => $demand['key'] === $key));
        $days = array_unique([$today, ...array_map(fn (int $n) => $this->demands[$n]['need'], $wanted)]);
        sort($days);
        $balance = $this->sum($this->supplies, fn (array $supply) => $supply['key'] === $key && $supply['kind'] === 'stock');
        $counted = [];
        foreach ($days as $day) {
            foreach ($this->receipts($key) as $n) {
                if (! isset($counted[$n]) && $this->supplies[$n]['effective'] <= $day) {
                    $counted[$n] = true;
                    $balance += $this->supplies[$n]['qty'];
                }
            }
            $now = array_values(array_filter($wanted, fn (int $n) => $this->demands[$n]['need'] === $day));
            usort(
                $now,
                fn (int $a, int $b) => $this->demands[$a]['priority'] <=> $this->demands[$b]['priority'] ?: $this->compareDemands($a, $b),
            );
            if ($rule === LotRule::PerOrder && $now !== []) {
                foreach ($now as $n) {
                    $balance -= $this->demands[$n]['qty'];
                    $this->cover($key, $day, $balance, $floor, $counted, $wanted, $n);
                }
            } else {
                $balance -= array_sum(array_map(fn (int $n) => $this->demands[$n]['qty'], $now));
                $this->cover($key, $day, $balance, $floor, $counted, $wanted, null);
            }
        }
        $this->judgeOrders($key, $days, $wanted, $floor);
    }

    /**
     * @param  array<int, true>  $counted
     * @param  list<int>  $wanted
     */
    private function cover(string $key, int $day, int &$balance, int $floor, array &$counted, array $wanted, ?int $tied): void
    {
        foreach ($this->receipts($key) as $n) {
            $receipt = $this->supplies[$n];
            if ($balance < $floor
                && ! isset($counted[$n])
                && ! $receipt['pinned']
                && $receipt['effective'] > $day
                && $this->options->bringInDays >= $receipt['effective'] - $day) {
                $counted[$n] = true;
                $balance += $receipt['qty'];
                $this->supplies[$n]['effective'] = $day;
                $this->supplies[$n]['broughtIn'] = true;
                $this->say('bring_in', "order:{$receipt['name']}", $key, $receipt['due'], $day, $receipt['qty']);
            }
        }
        if ($balance >= $floor) {
            return;
        }
        $planning = $this->planning($key);
        $short = $planning->lotRule === LotRule::MinMax ? $planning->stockMax - $balance : $floor - $balance;
        $last = $day;
        if ($planning->lotRule === LotRule::LotForLot && $planning->groupDays > 1) {
            $last = $day + $planning->groupDays - 1;
            for ($other = $day; $other <= $last; $other++) {
                $then = $balance
                    + array_sum(array_map(
                        fn (int $n) => ! isset($counted[$n]) && $this->supplies[$n]['effective'] <= $other ? $this->supplies[$n]['qty'] : 0,
                        $this->receipts($key),
                    ))
                    - array_sum(array_map(
                        fn (int $n) => $this->demands[$n]['need'] > $day && $this->demands[$n]['need'] <= $other
                            ? $this->demands[$n]['qty']
                            : 0,
                        $wanted,
                    ));
                $short = max($short, $floor - $then);
            }
        }
        $urgent = 9;
        foreach ($wanted as $n) {
            if ($tied === null ? $this->demands[$n]['need'] >= $day && $this->demands[$n]['need'] <= $last : $n === $tied) {
                $urgent = $tied === null ? min($urgent, $this->demands[$n]['priority']) : $this->demands[$n]['priority'];
            }
        }
        foreach ($this->lots($key, $short) as $lot) {
            $this->propose($key, $lot, $day, $urgent, $tied);
            $balance += $lot;
        }
    }

    /** @return list<int> open orders of a point by effective date, then reference */
    private function receipts(string $key): array
    {
        $found = array_keys(array_filter($this->supplies, fn (array $supply) => $supply['key'] === $key && $supply['kind'] === 'order'));
        usort(
            $found,
            fn (int $a, int $b) => $this->supplies[$a]['effective'] <=> $this->supplies[$b]['effective'] ?: strcmp(
                $this->supplies[$a]['name'],
                $this->supplies[$b]['name'],
            ),
        );

        return $found;
    }

    /** @return list<int> */
    private function lots(string $key, int $net): array
    {
        $planning = $this->planning($key);
        if ($planning->lotRule === LotRule::Fixed) {
            return array_fill(0, (int) ceil($net / (int) $planning->fixedQty), (int) $planning->fixedQty);
        }
        $least = $this->offer($key)?->minQty ?? $planning->minQty ?? 0;
        $multiple = $this->offer($key)?->multiple ?? $planning->multiple ?? 0;
        $most = $planning->maxQty ?? 0;
        $modify = function (int $lot) use ($least, $multiple): int {
            $lot = max($lot, $least);
            while ($multiple > 0 && $lot % $multiple !== 0) {
                $lot += $multiple - $lot % $multiple;
            }

            return $lot;
        };
        $lot = $modify($net);
        $size = $multiple > 0 ? $most - $most % $multiple : $most;
        if ($most === 0 || $lot <= $most || $size === 0) {
            return [$lot];
        }
        $lots = [];
        for (; $lot > $size; $lot -= $size) {
            $lots[] = $size;
        }

        return [...$lots, $modify($lot)];
    }

    private function propose(string $key, int $qty, int $day, int $priority, ?int $tied): void
    {
        $today = $this->options->planDate;
        ['item' => $item, 'site' => $site] = $this->points[$key];
        $planning = $this->planning($key);
        $due = $planning->frozenDays > 0 && $day < $today + $planning->frozenDays
            ? $this->forward($this->siteCalendar($key), $today + $planning->frozenDays, 0)
            : $day;
        $start = $this->back($this->leadCalendar($key), $due, $this->lead($key));
        $earliest = $this->forward($this->leadCalendar($key), $today, $this->lead($key));
        $name = (string) ++$this->numbers;
        $n = count($this->supplies);
        $this->supplies[] = [
            'kind' => 'proposal', 'type' => $planning->supply, 'key' => $key, 'name' => $name, 'qty' => $qty, 'due' => $due,
            'effective' => $due, 'start' => $start, 'earliest' => $earliest,
            'priority' => $priority, 'pinned' => false, 'released' => false, 'inputs' => [], 'tied' => $tied,
            'supplier' => $this->isBought($key) ? $this->supplier($key) : null,
            'from' => $planning->supply === OrderKind::Transfer ? $planning->fromSite : null,
        ];
        $due === $day || $this->say('frozen', "proposal:{$name}", $key, $day, $due, $qty);
        $start < $today && $this->say('start_passed', "proposal:{$name}", $key, $due, $earliest, $qty);
        if ($planning->supply === OrderKind::Transfer) {
            $this->want(
                'out', true, "proposal:{$name}", '', Network::key($item, (string) $planning->fromSite), $qty, max($start, $today),
                $priority, $n,
            );
        } elseif ($planning->supply === OrderKind::Make) {
            $valid = array_filter($this->lines($item, $site), fn (array $line) => $this->isValid($line, max($start, $today)));
            foreach ($valid as $line) {
                $date = $line['offset'] > 0
                    ? $this->forward($this->siteCalendar($key), max($start, $today), $line['offset'])
                    : max($start, $today);
                $this->want(
                    'part', true, "proposal:{$name}", $line['line'], Network::key($line['component'], $site),
                    $this->requirement($line, $qty), $date, $priority, $n,
                );
            }
            $valid === [] && $this->say('no_bom', "proposal:{$name}", $key, $start, $due, $qty);
        } elseif ($this->supplier($key) === null) {
            $this->say('no_supplier', "proposal:{$name}", $key, $start, $due, $qty);
        }
    }

    /**
     * @param  list<int>  $days
     * @param  list<int>  $wanted
     */
    private function judgeOrders(string $key, array $days, array $wanted, int $floor): void
    {
        $all = array_keys(array_filter($this->supplies, fn (array $supply) => $supply['key'] === $key && $supply['kind'] !== 'stock'));
        usort(
            $all,
            fn (int $a, int $b) => $this->supplies[$a]['effective'] <=> $this->supplies[$b]['effective'] ?: $this->compareSupplies($a, $b),
        );
        $before = $this->sum($this->supplies, fn (array $supply) => $supply['key'] === $key && $supply['kind'] === 'stock');
        foreach ($all as $n) {
            $supply = $this->supplies[$n];
            if ($supply['kind'] === 'order' && ! isset($supply['broughtIn'])) {
                $needed = null;
                foreach (array_reverse($days) as $day) {
                    $gone = array_sum(array_map(
                        fn (int $n) => $this->demands[$n]['need'] <= $day ? $this->demands[$n]['qty'] : 0,
                        $wanted,
                    ));
                    $needed = $before - $gone < $floor ? $day : $needed;
                }
                if ($needed === null && $supply['due'] <= $this->options->horizonEnd) {
                    $this->say('cancel', "order:{$supply['name']}", $key, $supply['due'], null, $supply['qty']);
                } elseif ($needed !== null && $needed - $supply['effective'] > $this->options->pushOutDays) {
                    $this->say('push_out', "order:{$supply['name']}", $key, $supply['due'], $needed, $supply['qty']);
                }
            }
            $before += $supply['qty'];
        }
    }

    // --- projection ----------------------------------------------------------

    private function project(string $key): void
    {
        $today = $this->options->planDate;
        if ($this->safety($key) > 0) {
            $name = "{$this->points[$key]['item']}@{$this->points[$key]['site']}";
            $this->demands[] = [
                'kind' => 'safety', 'ofProposal' => false, 'name' => $name, 'line' => '', 'ref' => "safety:{$name}", 'key' => $key,
                'qty' => $this->safety($key), 'date' => null, 'need' => null,
                'priority' => 9, 'uncovered' => $this->safety($key), 'expected' => null,
            ];
        }
        $mine = array_keys(array_filter($this->supplies, fn (array $supply) => $supply['key'] === $key));
        foreach ($mine as $n) {
            $this->supplies[$n]['available'] = $this->availability($key, $this->supplies[$n]);
        }
        usort(
            $mine,
            fn (int $a, int $b) => $this->supplies[$a]['available'] <=> $this->supplies[$b]['available'] ?: $this->compareSupplies($a, $b),
        );
        $left = [];
        foreach ($mine as $n) {
            $left[$n] = $this->supplies[$n]['qty'];
        }
        $wanted = array_keys(array_filter($this->demands, fn (array $demand) => $demand['key'] === $key));
        foreach ($this->network->allocations as $allocation) {
            foreach ($wanted as $d) {
                foreach ($mine as $n) {
                    if (! $this->demands[$d]['ofProposal']
                        && $this->demands[$d]['ref'] === $allocation->demand
                        && "{$this->supplies[$n]['kind']}:{$this->supplies[$n]['name']}" === $allocation->supply) {
                        $this->peg($n, $d, min($allocation->qty, $left[$n], $this->demands[$d]['uncovered']), $left);
                    }
                }
            }
        }
        $tied = array_filter($mine, fn (int $n) => $this->supplies[$n]['tied'] !== null);
        sort($tied);
        foreach ($tied as $n) {
            $d = $this->supplies[$n]['tied'];
            $this->peg($n, $d, min($left[$n], $this->demands[$d]['uncovered']), $left);
        }
        usort($wanted, function (int $a, int $b): int {
            [$one, $other] = [$this->demands[$a], $this->demands[$b]];
            $late = ($one['need'] === null) <=> ($other['need'] === null);

            $fields = $this->options->pegByPriority ? ['priority', 'need'] : ['need', 'priority'];

            return $late
                ?: $one[$fields[0]] <=> $other[$fields[0]]
                ?: $one[$fields[1]] <=> $other[$fields[1]]
                ?: $this->compareDemands($a, $b);
        });
        foreach ($wanted as $d) {
            foreach ($mine as $n) {
                $this->peg($n, $d, min($left[$n], $this->demands[$d]['uncovered']), $left);
            }
        }
        $this->stretches($key, $today);
    }

    /** @param  array<string, mixed>  $supply */
    private function availability(string $key, array $supply): int
    {
        $today = $this->options->planDate;
        $base = max($supply['due'], $today);
        if ($supply['kind'] === 'stock' || ($supply['kind'] === 'order' && $supply['type'] !== OrderKind::Make)) {
            return $base;
        }
        if ($supply['type'] === OrderKind::Buy) {
            return max($base, $supply['earliest']);
        }
        if ($supply['start'] < $today && ! $supply['released']) {
            $base = max($base, $this->forward($this->siteCalendar($key), $today, $this->planning($key)->leadDays ?? 0));
        }
        $slips = [];
        foreach ($supply['inputs'] as $d) {
            $demand = $this->demands[$d];
            if ($demand['expected'] !== null && $demand['expected'] > $demand['date']) {
                for ($slip = 0; $this->forward($this->siteCalendar($key), $demand['date'], $slip) < $demand['expected']; $slip++);
                $slips[] = $slip;
            }
        }

        return $slips === [] ? $base : $this->forward($this->siteCalendar($key), $base, max($slips));
    }

    /** @param  array<int, int>  $left */
    private function peg(int $supply, int $demand, int $qty, array &$left): void
    {
        if ($qty <= 0) {
            return;
        }
        $left[$supply] -= $qty;
        $this->demands[$demand]['uncovered'] -= $qty;
        $this->demands[$demand]['expected'] = max($this->demands[$demand]['expected'] ?? 0, $this->supplies[$supply]['available']);
        $this->pegs["{$supply} {$demand}"] ??= ['supply' => $supply, 'demand' => $demand, 'qty' => 0];
        $this->pegs["{$supply} {$demand}"]['qty'] += $qty;
    }

    private function stretches(string $key, int $today): void
    {
        $from = null;
        $worst = 0;
        for ($day = $today; $day <= $this->options->horizonEnd + 1; $day++) {
            $short = $day > $this->options->horizonEnd ? 0 : $this->safety($key) - $this->balance($key, $day, 'available');
            if ($short > 0) {
                $from ??= $day;
                $worst = max($worst, $short);
            } elseif ($from !== null) {
                $this->say(
                    'below_safety', "safety:{$this->points[$key]['item']}@{$this->points[$key]['site']}", $key, $from, $day - 1,
                    $worst,
                );
                $from = null;
                $worst = 0;
            }
        }
    }

    private function balance(string $key, int $day, string $when): int
    {
        return $this->sum($this->supplies, fn (array $supply) => $supply['key'] === $key && $supply[$when] <= $day)
            - $this->sum(
                $this->demands,
                fn (array $demand) => $demand['key'] === $key && $demand['need'] !== null && $demand['need'] <= $day,
            );
    }

    // --- order of references, output -----------------------------------------

    private function compareSupplies(int $a, int $b): int
    {
        [$one, $other] = [$this->supplies[$a], $this->supplies[$b]];

        return array_search($one['kind'], self::SUPPLY_KINDS, true) <=> array_search($other['kind'], self::SUPPLY_KINDS, true)
            ?: ($one['kind'] === 'proposal' ? (int) $one['name'] <=> (int) $other['name'] : strcmp($one['name'], $other['name']));
    }

    private function compareDemands(int $a, int $b): int
    {
        [$one, $other] = [$this->demands[$a], $this->demands[$b]];

        return array_search($one['kind'], self::DEMAND_KINDS, true) <=> array_search($other['kind'], self::DEMAND_KINDS, true)
            ?: $one['ofProposal'] <=> $other['ofProposal']
            ?: ($one['ofProposal']
                ? (int) substr($one['name'], 9) <=> (int) substr($other['name'], 9)
                : strcmp($one['name'], $other['name']))
            ?: self::compareLines($one['line'], $other['line']);
    }

    private static function compareLines(string $a, string $b): int
    {
        [$left, $right] = [explode('.', $a), explode('.', $b)];
        foreach ($left as $place => $part) {
            $other = $right[$place] ?? null;
            if ($other === null) {
                return 1;
            }
            $numbers = [ctype_digit($part), ctype_digit($other)];
            $order = $numbers === [true, true] ? (int) $part <=> (int) $other : ($numbers[1] <=> $numbers[0] ?: strcmp($part, $other));
            if ($order !== 0) {
                return $order;
            }
        }

        return count($left) <=> count($right);
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @param  callable(array<string, mixed>): bool  $which
     */
    private function sum(array $rows, callable $which): int
    {
        return array_sum(array_map(fn (array $row) => $which($row) ? $row['qty'] : 0, $rows));
    }

    /** @return array<string, list<string>> */
    private function output(): array
    {
        $day = fn (?int $day) => $day === null ? '' : Day::format($day);
        $at = fn (string $key) => "{$this->points[$key]['item']},{$this->points[$key]['site']}";
        $rows = ['proposals.csv' => [], 'pegs.csv' => [], 'demands.csv' => [], 'messages.csv' => [], 'buckets.csv' => []];
        foreach ($this->supplies as $supply) {
            if ($supply['kind'] === 'proposal') {
                $rows['proposals.csv'][] = implode(',', [
                    "proposal:{$supply['name']}", $supply['type']->value, $at($supply['key']), $supply['from'], $supply['supplier'],
                    Quantity::format($supply['qty']), $day($supply['start']), $day($supply['due']),
                    $day($supply['earliest']), $day($supply['available']), $supply['priority'],
                ]);
            }
        }
        foreach ($this->pegs as $peg) {
            $supply = $this->supplies[$peg['supply']];
            $rows['pegs.csv'][] = implode(
                ',',
                [
                    $at($supply['key']), "{$supply['kind']}:{$supply['name']}", $this->demands[$peg['demand']]['ref'],
                    Quantity::format($peg['qty']),
                ],
            );
        }
        foreach ($this->demands as $demand) {
            $late = $demand['expected'] === null || $demand['date'] === null ? 0 : max(0, $demand['expected'] - $demand['date']);
            $rows['demands.csv'][] = implode(
                ',',
                [
                    $demand['ref'], $at($demand['key']), Quantity::format($demand['qty']), $day($demand['date']),
                    $day($demand['need']), $day($demand['expected']), $late, Quantity::format($demand['uncovered']),
                ],
            );
        }
        foreach ($this->messages as $message) {
            $rows['messages.csv'][] = implode(
                ',',
                [
                    $message['code'], $message['ref'], $at($message['key']), $day($message['from']), $day($message['to']),
                    Quantity::format($message['qty']),
                ],
            );
        }
        foreach (array_keys($this->points) as $key) {
            $moves = array_filter($this->supplies, fn (array $supply) => $supply['key'] === $key) !== []
                || array_filter($this->demands, fn (array $demand) => $demand['key'] === $key && $demand['need'] !== null) !== [];
            for ($first = $this->options->planDate; $moves && $first <= $this->options->horizonEnd; $first = $last + 1) {
                $start = $this->options->bucket->startOf($first);
                $last = $this->options->bucket->endOf($first);
                $in = fn (int $when) => $when >= $start && $when <= $last;
                $sum = fn (string $kind, string $when) => $this->sum(
                    $this->supplies,
                    fn (array $supply) => $supply['key'] === $key
                        && $supply['kind'] === $kind
                        && $in(max($this->options->planDate, $supply[$when])),
                );
                $rows['buckets.csv'][] = implode(',', [
                    $at($key), $day($start),
                    Quantity::format($this->sum(
                        $this->demands,
                        fn (array $demand) => $demand['key'] === $key && $demand['need'] !== null && $in($demand['need']),
                    )),
                    Quantity::format($sum('order', 'effective')),
                    Quantity::format($sum('proposal', 'due')), Quantity::format($sum('proposal', 'start')),
                    Quantity::format($this->balance($key, $last, 'effective')), Quantity::format($this->balance($key, $last, 'available')),
                ]);
            }
        }

        return array_map(function (array $list): array {
            sort($list);

            return $list;
        }, $rows);
    }
}
