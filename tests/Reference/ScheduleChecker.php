<?php

declare(strict_types=1);

namespace Tests\Reference;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * Holds the rows of a schedule against the rules, from the text of the files and the plan before it alone: minutes, units, order, material,
 * what may not start yet, what keeps its place; and counts the figures again.
 */
final class ScheduleChecker
{
    /** What a field without text stands for, by file; other fields are empty. */
    private const DEFAULTS = [
        'sites.csv' => ['calendar' => ''],
        'work_centres.csv' => ['kind' => '', 'units' => '1', 'efficiency_pct' => '100', 'calendar' => ''],
        'shifts.csv' => ['units' => ''],
        'closures.csv' => ['unit' => '', 'units' => ''],
        'operations.csv' => [
            'site' => '', 'setup_min' => '0', 'run_min' => '0', 'base_qty' => '1', 'queue_min' => '0', 'move_min' => '0', 'crew' => '1',
            'setup_family' => '',
        ],
        'operation_alternatives.csv' => ['site' => '', 'speed_pct' => '100'],
        'setup_changes.csv' => [],
        'order_operations.csv' => [
            'setup_min' => '0', 'run_min' => '0', 'crew' => '1', 'done_qty' => '0', 'start' => '', 'end' => '', 'units' => '', 'fixed' => '0',
        ],
        'orders.csv' => ['not_before' => '', 'finish_by' => '', 'hold' => '0', 'priority' => '5', 'received' => '0', 'start' => ''],
        'bom.csv' => ['op' => ''],
        'order_components.csv' => ['op' => ''],
    ];

    /** @var array<string, list<array<string, string>>> rows by file name */
    private readonly array $files;

    /** @var list<string> what is wrong */
    public array $faults = [];

    /** @var array<string, int|BigRational> */
    public array $figures = [];

    /** @var array<string, array<int, array<string, mixed>>> rows by order and operation */
    private array $rows = [];

    private readonly NaiveShop $shop;

    private readonly int $planMinute;

    /**
     * @param  array<string, list<array<string, string>>>  $files  rows by file name
     * @param  array<string, list<array<string, string>>>  $plan  rows of the plan before, by file name
     * @param  list<array<string, string>>  $schedule
     * @param  array{now: int, frozenDays: int, proposalsDays: int}  $options
     * @param  list<string>  $frozenMoved  as order and number
     */
    public function __construct(
        array $files,
        private readonly array $plan,
        private readonly array $after,
        array $schedule,
        private readonly array $options,
        private readonly array $frozenMoved,
    ) {
        foreach (self::DEFAULTS as $file => $defaults) {
            $files[$file] = array_map(
                fn (array $row) => [...$defaults, ...array_filter($row, fn (string $text) => $text !== '')], $files[$file] ?? [],
            );
        }
        $this->files = $files;
        $settings = array_column($files['plan.csv'], 'value', 'key');
        $this->planMinute = NaiveShop::minute("{$settings['plan_date']} 00:00");
        $last = $this->planMinute;
        foreach ($schedule as $row) {
            $row['from'] = NaiveShop::minute($row['start']);
            $row['until'] = NaiveShop::minute($row['end']);
            $row['on'] = array_map(intval(...), explode(';', $row['units']));
            $last = max($last, $row['until']);
            isset($this->rows[$row['order']][(int) $row['op']]) && $this->faults[] = "{$row['order']} {$row['op']} twice";
            $this->rows[$row['order']][(int) $row['op']] = $row;
        }
        $this->shop = new NaiveShop($files, $settings['plan_date'], intdiv($last - $this->planMinute, 1440) + 3);
        $this->check();
    }

    private function check(): void
    {
        $wanted = [];
        foreach ($this->orders() as $reference => $order) {
            ksort($this->rows[$reference]);
            $wanted[$reference] = array_keys($order['works']);
            sort($wanted[$reference]);
            $this->minutes($reference, $order);
            $this->sequence($reference, $order);
            $this->material($reference, $order);
        }
        $is = array_map(function (array $rows) {
            $ops = array_keys($rows);
            sort($ops);

            return $ops;
        }, $this->rows);
        ksort($is);
        ksort($wanted);
        $is === $wanted || $this->faults[] = 'other operations than there are: '.json_encode(array_diff_key($is, $wanted) + array_diff_key($wanted, $is));
        $this->units();
        $this->places();
    }

    /** @return array<string, array<string, mixed>> orders and proposals that are scheduled, with what their operations take */
    private function orders(): array
    {
        $orders = [];
        foreach ($this->files['orders.csv'] as $row) {
            $open = BigRational::of($row['qty'])->minus($row['received'] ?: '0');
            if ($row['kind'] === 'make' && ! $open->isNegativeOrZero() && ($row['hold'] ?? '') !== '1') {
                $orders["order:{$row['order']}"] = [
                    'item' => $row['item'], 'site' => $row['site'], 'qty' => $row['qty'], 'due' => $row['due'], 'code' => $row['order'],
                    'priority' => (int) ($row['priority'] ?: 5), 'notBefore' => ($row['not_before'] ?? '') ?: null,
                    'latest' => ($row['finish_by'] ?? '') ?: $row['due'],
                ];
            }
        }
        $end = $this->planMinute + $this->options['proposalsDays'] * 1440;
        foreach ($this->plan['proposals.csv'] as $row) {
            if ($row['kind'] === 'make' && NaiveShop::minute("{$row['start']} 00:00") < $end) {
                $orders[$row['proposal']] = [
                    'item' => $row['item'], 'site' => $row['site'], 'qty' => $row['qty'], 'due' => $row['due'], 'code' => null,
                    'priority' => (int) $row['priority'], 'notBefore' => null, 'latest' => $row['due'],
                ];
            }
        }
        foreach ($orders as $reference => $order) {
            $orders[$reference]['works'] = $works = $this->works($order);
            if ($works === []) {
                unset($orders[$reference]);
            } else {
                $this->rows[$reference] ??= [];
            }
        }

        return $orders;
    }

    /** @return array<int, array<string, mixed>> by number; `all` are the numbers with those that are over */
    private function works(array &$order): array
    {
        $of = fn (string $site) => array_filter(
            $this->files['operations.csv'],
            fn (array $row) => $row['item'] === $order['item'] && $row['site'] === $site,
        );
        $site = $of($order['site']) === [] ? '' : $order['site'];
        $master = array_column($of($site), null, 'op');
        $own = array_filter($this->files['order_operations.csv'], fn (array $row) => $row['order'] === $order['code']);
        $works = [];
        foreach ($own === [] ? $master : $own as $row) {
            $done = BigRational::of(($row['done_qty'] ?? '') ?: '0');
            $left = BigRational::of($order['qty'])->minus($done);
            if ($left->isNegativeOrZero()) {
                continue;
            }
            $like = $master[$row['op']] ?? null;
            $centres = [$row['work_centre'] => '100'];
            foreach ($like === null ? [] : $this->files['operation_alternatives.csv'] as $other) {
                if ($other['item'] === $order['item'] && $other['site'] === $site && $other['op'] === $row['op']) {
                    $centres += [$other['work_centre'] => $other['speed_pct'] ?: '100'];
                }
            }
            $works[(int) $row['op']] = [
                'centres' => $centres, 'crew' => (int) $row['crew'], 'begun' => ! $done->isZero(), 'setup' => $done->isZero() ? $row['setup_min'] : '0',
                'run' => BigRational::of($row['run_min'])->multipliedBy($left)->dividedBy($own === [] ? $row['base_qty'] : '1'),
                'queue' => BigRational::of($like['queue_min'] ?? '0'), 'move' => BigRational::of($like['move_min'] ?? '0'),
                'family' => $like['setup_family'] ?? '', 'row' => $own === [] ? null : $row,
            ];
        }
        ksort($works);

        return $works;
    }

    /** @return list<int> numbers of all operations, also of those that are over */
    private function numbers(array $order): array
    {
        $own = array_filter($this->files['order_operations.csv'], fn (array $row) => $row['order'] === $order['code']);
        $numbers = array_map(fn (array $row) => (int) $row['op'], $own);
        if ($numbers === []) {
            foreach ([$order['site'], ''] as $site) {
                foreach ($numbers === [] ? $this->files['operations.csv'] : [] as $row) {
                    $row['item'] === $order['item'] && $row['site'] === $site && $numbers[] = (int) $row['op'];
                }
                if ($numbers !== []) {
                    break;
                }
            }
        }
        sort($numbers);

        return $numbers;
    }

    private function minutes(string $reference, array $order): void
    {
        foreach ($order['works'] as $op => $work) {
            $row = $this->rows[$reference][$op] ?? null;
            if ($row === null) {
                continue;
            }
            $speed = $work['centres'][$row['work_centre']] ?? null;
            if ($speed === null || count($row['on']) !== $work['crew'] || count(array_unique($row['on'])) !== $work['crew']) {
                $this->faults[] = "{$reference} {$op}: centre or crew";

                continue;
            }
            $setup = $this->setup($reference, $op, $work, $row);
            $setup->isEqualTo($row['setup_min']) || $this->faults[] = "{$reference} {$op}: setup {$row['setup_min']}, not {$setup}";
            $efficiency = array_column($this->files['work_centres.csv'], 'efficiency_pct', 'work_centre')[$row['work_centre']] ?: '100';
            $minutes = $setup->plus($work['run'])->multipliedBy(100)->dividedBy($efficiency)->multipliedBy(100)->dividedBy($speed)
                ->toScale(0, RoundingMode::UP)->toInt();
            $held = 0;
            $ends = [];
            for ($minute = $row['from']; $minute < $row['until']; $minute++) {
                if (array_diff($row['on'], $this->shop->on($row['work_centre'], $minute)) === []) {
                    $held++;
                    $ends[] = $minute;
                }
            }
            $isSound = $minutes === (int) $row['minutes'] && $held === $minutes
                && ($minutes === 0 ? $row['from'] === $row['until'] : $ends[0] === $row['from'] && end($ends) === $row['until'] - 1);
            $isSound || $this->faults[] = "{$reference} {$op}: {$row['minutes']} minutes, holds {$held}, takes {$minutes}";
        }
    }

    private function setup(string $reference, int $op, array $work, array $row): BigRational
    {
        $own = BigRational::of($work['setup']);
        $changes = array_filter($this->files['setup_changes.csv'], fn (array $change) => $change['work_centre'] === $row['work_centre']);
        if ($changes === [] || $work['begun']) {
            return $own;
        }
        $most = null;
        foreach ($row['on'] as $unit) {
            $before = null;
            foreach ($this->rows as $other => $rows) {
                foreach ($rows as $number => $one) {
                    $isThere = $one['work_centre'] === $row['work_centre'] && in_array($unit, $one['on'], true) && $one['minutes'] !== '0';
                    if ($isThere && [$other, $number] !== [$reference, $op] && $one['from'] < $row['from'] && $one['from'] > ($before['from'] ?? PHP_INT_MIN)) {
                        $before = [...$one, 'family' => $this->family($other, (int) $number)];
                    }
                }
            }
            $setup = $own;
            if ($before !== null && $before['family'] !== '' && $work['family'] !== '') {
                $setup = $before['family'] === $work['family'] ? BigRational::zero() : $own;
                foreach ($changes as $change) {
                    if ($change['from_family'] === $before['family'] && $change['to_family'] === $work['family']) {
                        $setup = BigRational::of($change['setup_min']);
                    }
                }
            }
            $most = $most === null || $setup->isGreaterThan($most) ? $setup : $most;
        }

        return $most ?? $own;
    }

    private function family(string $reference, int $op): string
    {
        static $orders = null;
        $orders = $orders !== null && $orders[0] === $this ? $orders : [$this, $this->orders()];

        return $orders[1][$reference]['works'][$op]['family'] ?? '';
    }

    private function sequence(string $reference, array $order): void
    {
        $before = null;
        $first = max($this->options['now'], $order['notBefore'] === null ? 0 : NaiveShop::minute("{$order['notBefore']} 00:00"));
        foreach ($order['works'] as $op => $work) {
            $row = $this->rows[$reference][$op] ?? null;
            if ($row === null) {
                return;
            }
            $row['from'] >= $first || $this->faults[] = "{$reference} {$op}: starts before it may";
            if ($before !== null) {
                $least = BigRational::of($before['until'])->plus($order['works'][$before['number']]['move'])->plus($work['queue']);
                BigRational::of($row['from'])->isLessThan($least) && $this->faults[] = "{$reference} {$op}: starts before what comes before it";
            }
            $before = [...$row, 'number' => $op];
        }
    }

    private function material(string $reference, array $order): void
    {
        $numbers = $this->numbers($order);
        $name = $order['code'] ?? $reference;
        foreach ($this->plan['pegs.csv'] as $peg) {
            if (! str_starts_with($peg['demand'], "part:{$name}/") || str_starts_with($peg['supply'], 'stock:')) {
                continue;
            }
            $line = substr($peg['demand'], strlen("part:{$name}/"));
            $op = $this->opOf($order, $line);
            $op = in_array($op, $numbers, true) ? $op : $numbers[0];
            $row = $this->rows[$reference][$op] ?? null;
            if ($row === null) {
                continue; // it is over
            }
            if (isset($this->rows[$peg['supply']]) && $this->rows[$peg['supply']] !== []) {
                $last = end($this->rows[$peg['supply']]);
                $move = $this->orders()[$peg['supply']]['works'][(int) $last['op']]['move'];
                $there = BigRational::of($last['until'])->plus($move);
            } else {
                $there = BigRational::of($this->thereFrom($peg['supply']));
            }
            BigRational::of($row['from'])->isLessThan($there) && $this->faults[] = "{$reference} {$op}: starts before {$peg['supply']} is there";
        }
    }

    private function opOf(array $order, string $line): ?int
    {
        foreach ($this->files['order_components.csv'] as $row) {
            if ($row['order'] === $order['code']) {
                $hasRows = true;
                if ($row['line'] === $line) {
                    return ($row['op'] ?? '') === '' ? null : (int) $row['op'];
                }
            }
        }
        foreach (isset($hasRows) ? [] : $this->files['bom.csv'] as $row) {
            if ($row['item'] === $order['item'] && $row['line'] === explode('.', $line)[0]) {
                return ($row['op'] ?? '') === '' ? null : (int) $row['op'];
            }
        }

        return null;
    }

    /** The minute from which on a supply outside the schedule is there, by the dates after it. */
    private function thereFrom(string $supply): int
    {
        $day = $this->after[$supply]['available'];

        return NaiveShop::minute("{$day} 00:00") + ($this->after[$supply]['made'] ? 1440 : 0);
    }

    private function units(): void
    {
        $held = [];
        foreach ($this->rows as $reference => $rows) {
            foreach ($rows as $op => $row) {
                foreach ($row['minutes'] === '0' ? [] : $row['on'] as $unit) {
                    $held["{$row['work_centre']} {$unit}"][] = [$row['from'], $row['until'], "{$reference} {$op}"];
                }
            }
        }
        foreach ($held as $unit => $list) {
            sort($list);
            foreach ($list as $place => [$from, , $what]) {
                $place > 0 && $from < $list[$place - 1][1] && $this->faults[] = "{$unit}: {$what} and {$list[$place - 1][2]} at once";
            }
        }
    }

    /** What keeps its place, and the figures. */
    private function places(): void
    {
        $figures = ['orders' => 0, 'on_time' => 0, 'late_days' => 0, 'weighted_late' => 0, 'waiting_min' => 0, 'makespan_min' => 0, 'moved' => 0];
        $setups = BigRational::zero();
        foreach ($this->orders() as $reference => $order) {
            $rows = $this->rows[$reference];
            if ($rows === []) {
                continue;
            }
            ksort($rows);
            $last = end($rows);
            $end = BigRational::of($last['until'])->plus($order['works'][(int) $last['op']]['move'])->toScale(0, RoundingMode::UP)->toInt();
            $limit = NaiveShop::minute("{$order['latest']} 00:00") + 1440;
            $late = max(0, intdiv($end - 1 - $limit + 1440, 1440));
            $late = $end <= $limit ? 0 : $late;
            $figures['orders']++;
            $figures['on_time'] += $end <= $limit ? 1 : 0;
            $figures['late_days'] += $late;
            $figures['weighted_late'] += $late * (10 - $order['priority']);
            $figures['waiting_min'] += $last['until'] - reset($rows)['from'];
            foreach ($rows as $op => $row) {
                $figures['waiting_min'] -= $row['until'] - $row['from'];
                $figures['makespan_min'] = max($figures['makespan_min'], $row['until'] - $this->planMinute);
                $setups = $setups->plus($row['setup_min']);
                $old = $order['works'][$op]['row'] ?? null;
                if ($old === null || ($old['start'] ?? '') === '' || ($old['units'] ?? '') === '') {
                    continue;
                }
                $stays = $old['start'] === $row['start'] && $old['units'] === $row['units'] && $old['work_centre'] === $row['work_centre'];
                $figures['moved'] += $stays ? 0 : 1;
                $isFrozen = NaiveShop::minute($old['start']) < $this->planMinute + $this->options['frozenDays'] * 1440;
                if (in_array("{$reference} {$op}", $this->frozenMoved, true)) {
                    continue;
                }
                $isFrozen && ! ($stays && $old['end'] === $row['end']) && $this->faults[] = "{$reference} {$op}: frozen, but moved";
                ($old['fixed'] ?? '') === '1' && ! $stays && $this->faults[] = "{$reference} {$op}: fixed, but moved";
            }
        }
        $this->figures = [...$figures, 'setup_min' => $setups];
    }
}
