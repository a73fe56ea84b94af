<?php

declare(strict_types=1);

namespace Benchmarks;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Yposta\Core\Calendar\Day;

/**
 * Makes up a bundle of any size: structures several levels deep, sites, suppliers, every lot rule, orders and demand.
 *
 * The same seed gives the same bundle. About ten supplies and demands come out for each planning point.
 */
final class RandomBundle
{
    public const PLAN_DATE = '2026-03-02';

    private const LEVELS = 7;

    private readonly Randomizer $random;

    private readonly int $today;

    /** @var array<string, list<list<string|int>>> */
    private array $rows = [];

    public function __construct(int $seed, private readonly int $points, private readonly bool $everyFeature = true)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->today = Day::parse(self::PLAN_DATE);
    }

    /** @return array<string, string> contents by file name */
    public function files(): array
    {
        $this->masterData();
        $levels = $this->items();
        $this->structures($levels);
        $this->demand($levels);
        $this->supply($levels);
        $headers = [
            'plan.csv' => 'key,value', 'calendars.csv' => 'calendar,weekdays', 'calendar_days.csv' => 'calendar,date,works',
            'sites.csv' => 'site,name,calendar',
            'items.csv' => 'item,name,unit,decimals,phantom', 'suppliers.csv' => 'supplier,name,calendar',
            'supplier_items.csv' => 'supplier,item,lead_days,min_qty,multiple,rank',
            'planning.csv' => 'item,site,supply,lead_days,supplier,from_site,safety_stock,safety_days,lot_rule,group_days,fixed_qty,stock_min,stock_max,min_qty,multiple,max_qty,frozen_days',
            'bom.csv' => 'item,line,component,qty,basis,base_qty,scrap_pct,offset_days,valid_from,valid_to', 'stock.csv' => 'item,site,qty',
            'sales.csv' => 'order,line,item,site,qty,shipped,due,priority',
            'forecasts.csv' => 'forecast,item,site,bucket,start,qty',
            'orders.csv' => 'order,kind,status,item,site,from_site,supplier,qty,received,start,due,pinned,priority',
            'order_components.csv' => 'order,line,item,qty,issued,need', 'allocations.csv' => 'demand,supply,qty',
        ];
        $files = [];
        foreach ($headers as $file => $header) {
            $lines = array_map(fn (array $row) => implode(',', $row), $this->rows[$file] ?? []);
            $files[$file] = $header."\n".implode("\n", $lines)."\n";
        }

        return $files;
    }

    private function masterData(): void
    {
        $this->rows['plan.csv'] = [
            ['plan_date', self::PLAN_DATE], ['horizon_end', Day::format($this->today + 180)],
            ['forecasts', $this->everyFeature ? 'BASE;MORE' : 'BASE'], ['bucket', 'week'], ['consume_back_days', 7],
            ['consume_forward_days', 7],
        ];
        $this->rows['calendars.csv'] = [['FIVE', '12345'], ['SIX', '123456'], ['FAR', '12347']];
        foreach ([20, 47, 95] as $day) {
            $this->rows['calendar_days.csv'][] = ['FIVE', Day::format($this->today + $day), 0];
        }
        $this->rows['sites.csv'] = [['MAIN', 'Main', 'FIVE'], ['SIDE', 'Side', 'SIX']];
        for ($supplier = 0; $supplier < 20; $supplier++) {
            $this->rows['suppliers.csv'][] = ["S{$supplier}", "Supplier {$supplier}", $supplier % 4 === 0 ? 'FAR' : ''];
        }
    }

    /** @return list<list<string>> codes of the items of each level, the tops first */
    private function items(): array
    {
        $levels = array_fill(0, self::LEVELS, []);
        for ($number = 0; $number < $this->points; $number++) {
            $level = min(self::LEVELS - 1, (int) (self::LEVELS * sqrt($number / $this->points)));
            $code = sprintf('I%05d', $number);
            $levels[$level][] = $code;
            $weight = $level >= 4 && $this->one(6);
            $phantom = $this->everyFeature && $level > 0 && $level < 4 && $this->one(25);
            $this->rows['items.csv'][] = [$code, "Item {$number}", $weight ? 'kg' : 'pcs', $weight ? 2 : 0, (int) $phantom];
            $made = $level < 4 || ($level < self::LEVELS - 1 && $this->one(2));
            $this->rows['planning.csv'][] = $this->planning($code, $made ? 'make' : 'buy');
            if (! $made) {
                $this->rows['supplier_items.csv'][] = [
                    'S'.$this->between(0, 19), $code, $this->between(2, 30), $this->one(3) ? $this->between(5, 40) : '',
                    $this->one(3) ? 10 : '', 1,
                ];
            }
        }

        return $levels;
    }

    /** @return list<string|int> */
    private function planning(string $item, string $supply): array
    {
        $rule = $this->everyFeature ? $this->between(0, 9) : $this->between(0, 2);
        $row = [
            'lot_rule' => '', 'group_days' => '', 'fixed_qty' => '', 'stock_min' => '', 'stock_max' => '', 'min_qty' => '',
            'multiple' => '', 'max_qty' => '',
        ];
        $row = match (true) {
            $rule <= 4 => [
                ...$row, 'group_days' => $this->between(3, 10), 'min_qty' => $this->one(4) ? 20 : '',
                'multiple' => $this->one(3) ? 5 : '',
            ],
            $rule === 5 => [...$row, 'lot_rule' => 'fixed', 'fixed_qty' => 200],
            $rule === 6 => [...$row, 'lot_rule' => 'min_max', 'stock_min' => 20, 'stock_max' => 400],
            $rule === 7 => [...$row, 'lot_rule' => 'per_order'],
            $rule === 8 => [...$row, 'max_qty' => 500, 'multiple' => 10],
            default => $row,
        };

        return [
            $item, 'MAIN', $supply, $this->between(1, 8), '', '', $this->one(5) ? $this->between(1, 20) : 0, $this->one(8) ? 2 : 0,
            $row['lot_rule'], $row['group_days'], $row['fixed_qty'], $row['stock_min'], $row['stock_max'], $row['min_qty'],
            $row['multiple'], $row['max_qty'],
            $this->everyFeature && $this->one(30) ? 10 : 0,
        ];
    }

    /** @param  list<list<string>>  $levels */
    private function structures(array $levels): void
    {
        $made = array_fill_keys(
            array_map(fn (array $row) => $row[0], array_filter($this->rows['planning.csv'], fn (array $row) => $row[2] === 'make')),
            true,
        );
        foreach ($levels as $level => $items) {
            foreach ($items as $item) {
                $below = array_merge(...array_slice($levels, $level + 1, 2)) ?: [];
                if (! isset($made[$item]) || $below === []) {
                    continue;
                }
                for ($line = 1; $line <= 2; $line++) {
                    $this->rows['bom.csv'][] = [
                        $item, $line * 10, $below[$this->between(0, count($below) - 1)], $this->one(5) ? '0.25' : $this->between(1, 3),
                        $this->one(30) ? 'order' : '', $this->one(20) ? 4 : '',
                        $this->one(6) ? '2.5' : '', $this->everyFeature && $this->one(12) ? 1 : '', '',
                        $this->everyFeature && $this->one(25) ? Day::format($this->today + 60) : '',
                    ];
                }
            }
        }
    }

    /** @param  list<list<string>>  $levels */
    private function demand(array $levels): void
    {
        $tops = [...$levels[0], ...array_slice($levels[1], 0, intdiv(count($levels[1]), 4) + 1)];
        foreach ($tops as $number => $item) {
            for ($line = 1; $line <= 8; $line++) {
                $this->rows['sales.csv'][] = [
                    "O{$number}", $line, $item, 'MAIN', $this->between(1, 60), $this->one(20) ? 1 : 0,
                    Day::format($this->today + $this->between(-3, 170)), $this->between(1, 9),
                ];
            }
            for ($week = 0; $week < 24; $week += 2) {
                $this->rows['forecasts.csv'][] = [
                    'BASE', $item, 'MAIN', 'week', Day::format($this->today + 7 * $week), $this->between(5, 40),
                ];
            }
            if ($this->everyFeature && ($number === 0 || $this->one(3))) {
                $this->rows['forecasts.csv'][] = [
                    'MORE', $item, 'MAIN', 'month', '2026-0'.$this->between(3, 6).'-01', $this->between(5, 60),
                ];
            }
            if ($this->everyFeature && $this->one(4)) {
                $this->rows['planning.csv'][] = [$item, 'SIDE', 'transfer', 2, '', 'MAIN', 5, 1, '', '', '', '', '', '', '', '', 0];
                $this->rows['orders.csv'][] = [
                    "T{$number}", 'transfer', $this->one(2) ? 'firm' : 'released', $item, 'SIDE', 'MAIN', '',
                    $this->between(2, 9), 0, '', Day::format($this->today + $this->between(-2, 40)), 0, 4,
                ];
                $this->one(2) && $this->rows['allocations.csv'][] = ["sales:O{$number}/9", "order:T{$number}", $this->between(1, 12)];
                $this->rows['sales.csv'][] = [
                    "O{$number}", 9, $item, 'SIDE', $this->between(1, 20), 0, Day::format($this->today + $this->between(5, 120)),
                    3,
                ];
            }
        }
    }

    /** @param  list<list<string>>  $levels */
    private function supply(array $levels): void
    {
        $kinds = [];
        foreach ($this->rows['planning.csv'] as $row) {
            $row[1] === 'MAIN' && $kinds[(string) $row[0]] = $row[2];
        }
        foreach (array_merge(...$levels) as $number => $item) {
            if ($this->one(2)) {
                $this->rows['stock.csv'][] = [$item, 'MAIN', $this->between(1, 200)];
            }
            for ($order = 0; $order < 2; $order++) {
                if (! $this->one(3)) {
                    continue;
                }
                $due = $this->today + $this->between(-4, 90);
                $code = "R{$number}-{$order}";
                $this->rows['orders.csv'][] = [
                    $code, $kinds[$item], $this->one(2) ? 'firm' : 'released', $item, 'MAIN', '', '', $this->between(10, 120),
                    $this->one(8) ? 5 : 0,
                    $kinds[$item] === 'make' && $this->one(2) ? Day::format($due - $this->between(2, 12)) : '', Day::format($due),
                    (int) $this->one(10), $this->between(1, 9),
                ];
                $this->everyFeature && $this->extras($code, $item, $kinds, $due);
            }
        }
    }

    /**
     * Component rows and held supply of an order.
     *
     * @param  array<string, string|int>  $kinds  how each item comes about
     */
    private function extras(string $order, string $item, array $kinds, int $due): void
    {
        $bought = array_keys($kinds, 'buy', true);
        $component = (string) $bought[$this->between(0, count($bought) - 1)];
        if ($component !== $item && $this->one(3)) {
            $this->rows['order_components.csv'][] = [
                $order, $this->one(2) ? 10 : 'A', $component, $this->between(4, 30), $this->between(0, 3),
                $this->one(2) ? Day::format($due - $this->between(0, 8)) : '',
            ];
            $this->one(2) && $this->rows['allocations.csv'][] = ["part:{$order}/10", "stock:{$component}@MAIN", $this->between(1, 20)];
        }
    }

    private function between(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }

    private function one(int $in): bool
    {
        return $this->random->getInt(1, $in) === 1;
    }
}
