<?php

declare(strict_types=1);

namespace Benchmarks;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Yposta\Core\Calendar\Day;

/**
 * A random bundle with a shop: centres of people and machines, shifts with breaks and over midnight, closures of every kind, operations,
 * alternatives, setups, orders half done. The same seed gives the same shop.
 */
final class RandomShop
{
    private readonly Randomizer $random;

    /** @var array<string, list<list<string|int>>> rows by file name */
    private array $rows = [];

    /** @var array<string, array{string, int}> site and units of each centre */
    private array $centres = [];

    public function __construct(private readonly int $seed, private readonly int $points, private readonly int $number)
    {
        $this->random = new Randomizer(new Mt19937($seed + 7_000));
    }

    /** @return array<string, string> contents by file name */
    public function files(): array
    {
        $files = (new RandomBundle($this->seed, $this->points))->files();
        $this->centres();
        $made = [];
        $planning = [];
        foreach (explode("\n", trim($files['planning.csv'])) as $line) {
            $fields = explode(',', $line);
            if ($fields[2] === 'make' && ! $this->one(6)) {
                $made[$fields[0]] = $this->operations($fields[0]);
                $this->one(2) && $fields[3] = '';
            }
            $planning[] = implode(',', $fields);
        }
        $files['planning.csv'] = implode("\n", $planning)."\n";
        $this->orders($files['orders.csv'], $made);
        $op = fn () => $this->pick(['', '', 10, 20, 30]);
        foreach (['bom.csv' => ['op' => $op], 'order_components.csv' => ['op' => $op], 'orders.csv' => [
            'not_before' => fn () => $this->one(5) ? $this->day(-3, 12) : '', 'finish_by' => fn () => $this->one(5) ? $this->day(-2, 30) : '',
            'hold' => fn () => $this->one(8) ? 1 : 0,
        ]] as $file => $columns) {
            $files[$file] = self::widened($files[$file], $columns);
        }

        return [...$files, ...$this->written()];
    }

    /**
     * A file with more columns.
     *
     * @param  array<string, callable(): (string|int)>  $columns  that give the field of a row
     */
    private static function widened(string $text, array $columns): string
    {
        $lines = array_values(array_filter(explode("\n", $text), fn (string $line) => $line !== ''));
        foreach ($lines as $number => $line) {
            $more = $number === 0 ? array_keys($columns) : array_map(fn (callable $field) => $field(), $columns);
            $lines[$number] = implode(',', [$line, ...array_values($more)]);
        }

        return implode("\n", $lines)."\n";
    }

    /** A day around the plan date. */
    private function day(int $from, int $to): string
    {
        return Day::format(Day::parse(RandomBundle::PLAN_DATE) + $this->between($from, $to));
    }

    /** @return array<string, string> */
    private function written(): array
    {
        $files = [];
        foreach ([
            'work_centres.csv' => 'work_centre,name,site,kind,units,efficiency_pct,calendar',
            'shifts.csv' => 'work_centre,weekdays,from,to,units',
            'closures.csv' => 'work_centre,unit,from,to,units,reason',
            'operations.csv' => 'item,site,op,work_centre,setup_min,run_min,base_qty,queue_min,move_min,crew,setup_family',
            'operation_alternatives.csv' => 'item,site,op,work_centre,speed_pct',
            'setup_changes.csv' => 'work_centre,from_family,to_family,setup_min',
            'order_operations.csv' => 'order,op,work_centre,setup_min,run_min,crew,done_qty',
        ] as $file => $header) {
            $files[$file] = $header."\n".implode('', array_map(fn (array $row) => implode(',', $row)."\n", $this->rows[$file] ?? []));
        }

        return $files;
    }

    private function centres(): void
    {
        for ($number = 1; $number <= $this->number; $number++) {
            $code = "W{$number}";
            $units = $this->between(1, 5);
            $site = $this->one(5) ? 'SIDE' : 'MAIN';
            $this->centres[$code] = [$site, $units];
            $this->rows['work_centres.csv'][] = [
                $code, "Centre {$number}", $site, $this->one(2) ? 'people' : 'machine', $units, $this->pick(['100', '80', '92.5', '133']),
                $this->one(4) ? 'SIX' : '',
            ];
            match ($this->between(0, 4)) {
                0 => null, // day and night
                1 => $this->shifts($code, [['12345', '06:00', '14:00', ''], ['12345', '14:00', '22:00', max(1, $units - 1)]]),
                2 => $this->shifts($code, [['1234', '07:30', '12:00', ''], ['1234', '12:45', '17:00', ''], ['5', '07:30', '13:10', '']]),
                3 => $this->shifts($code, [['12345', '22:00', '06:00', ''], ['6', '22:00', '22:00', 1]]),
                default => $this->shifts($code, [['12345', '00:00', '24:00', 1], ['135', '08:00', '16:30', max(1, $units - 1)], ['2', '12:00', '15:00', '']]),
            };
            for ($closures = $this->between(0, 3); $closures > 0; $closures--) {
                $from = Day::parse(RandomBundle::PLAN_DATE) * 1440 + $this->between(-3 * 1440, 30 * 1440);
                $to = $from + $this->between(1, 2 * 1440);
                $this->rows['closures.csv'][] = [
                    $code, $this->one(3) ? $this->between(1, $units) : '', self::instant($from), self::instant($to),
                    $this->one(2) ? $this->between(1, $units) : '', 'service',
                ];
            }
            foreach (['red', 'blue', 'green'] as $family) {
                foreach ($this->one(2) ? ['red', 'blue'] : [] as $other) {
                    $other === $family || $this->rows['setup_changes.csv'][] = [$code, $other, $family, $this->between(0, 40)];
                }
            }
        }
    }

    /** @param  list<list<string|int>>  $rows  weekdays, from, to, units */
    private function shifts(string $centre, array $rows): void
    {
        foreach ($rows as $row) {
            $this->rows['shifts.csv'][] = [$centre, ...$row];
        }
    }

    /** @return list<list<string|int>> operation, centre, crew */
    private function operations(string $item): array
    {
        $made = [];
        for ($op = 1, $last = $this->between(1, 3); $op <= $last; $op++) {
            $centre = $this->pick(array_keys($this->centres));
            [$site, $units] = $this->centres[$centre];
            $crew = $this->between(1, $units);
            $this->rows['operations.csv'][] = [
                $item, $this->one(4) ? 'MAIN' : '', $op * 10, $centre, $this->pick([0, 0, 15, '22.5']), $this->pick([0, 1, '0.35', 3]),
                $this->pick([1, 1, 10]), $this->pick([0, 0, 60, '30.5']), $this->pick([0, 0, 45, '10.25']), $crew,
                $this->pick(['', 'red', 'blue', 'green']),
            ];
            $made[] = [$op * 10, $centre, $crew];
            foreach ($this->centres as $other => [$otherSite, $otherUnits]) {
                if ($other !== $centre && $otherSite === $site && $otherUnits >= $crew && $this->one(6)) {
                    $this->rows['operation_alternatives.csv'][] = [$item, '', $op * 10, $other, $this->pick([100, 75, 120])];
                }
            }
        }

        return $made;
    }

    /** @param  array<string, list<list<string|int>>>  $made  operations by item */
    private function orders(string $orders, array $made): void
    {
        foreach (array_slice(explode("\n", trim($orders)), 1) as $line) {
            $fields = explode(',', $line);
            if ($fields[1] === 'make' && isset($made[$fields[3]]) && $this->one(2)) {
                foreach ($made[$fields[3]] as [$op, $centre, $crew]) {
                    $this->rows['order_operations.csv'][] = [
                        $fields[0], $op, $centre, $this->pick([0, 20]), $this->pick([0, 1, '0.5']), $crew,
                        $this->one(2) ? 0 : $this->between(0, (int) $fields[7]),
                    ];
                }
            }
        }
    }

    private static function instant(int $minute): string
    {
        $day = intdiv($minute, 1440);

        return sprintf('%s %02d:%02d', Day::format($day), intdiv($minute % 1440, 60), $minute % 60);
    }

    private function between(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }

    private function one(int $in): bool
    {
        return $this->between(1, $in) === 1;
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return T
     */
    private function pick(array $of): mixed
    {
        return $of[$this->between(0, count($of) - 1)];
    }
}
