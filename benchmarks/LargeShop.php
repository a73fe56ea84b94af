<?php

declare(strict_types=1);

namespace Benchmarks;

use Random\Engine\Mt19937;
use Random\Randomizer;
use RuntimeException;
use Yposta\Core\Calendar\Day;

/** A shop of so many centres of two units in two shifts, with orders of five operations due over some days. */
final readonly class LargeShop
{
    private const EACH = 5;

    public function __construct(private int $operations, private int $centres, private int $days)
    {
    }

    /** @return array<string, resource> by file name */
    public function streams(): array
    {
        $random = new Randomizer(new Mt19937(3));
        $today = Day::parse('2026-03-02');
        $files = [
            'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,".Day::format($today + $this->days)."\nbucket,day\n",
            'calendars.csv' => "calendar,weekdays\nWORK,12345\n", 'sites.csv' => "site,calendar\nMAIN,WORK\n", 'items.csv' => "item\n",
            'planning.csv' => "item,site,supply,lead_days\n", 'work_centres.csv' => "work_centre,site,units\n",
            'shifts.csv' => "work_centre,weekdays,from,to\n", 'operations.csv' => "item,op,work_centre,setup_min,run_min\n",
            'orders.csv' => "order,kind,status,item,site,qty,due,priority\n",
        ];
        for ($centre = 1; $centre <= $this->centres; $centre++) {
            $files['work_centres.csv'] .= "W{$centre},MAIN,2\n";
            $files['shifts.csv'] .= "W{$centre},12345,06:00,14:00\nW{$centre},12345,14:00,22:00\n";
        }
        for ($item = 1; $item <= 200; $item++) {
            $files['items.csv'] .= "A{$item}\n";
            $files['planning.csv'] .= "A{$item},MAIN,make,3\n";
            for ($op = 1; $op <= self::EACH; $op++) {
                $files['operations.csv'] .= "A{$item},{$op},W{$random->getInt(1, $this->centres)},{$random->getInt(0, 30)},{$random->getInt(1, 12)}\n";
            }
        }
        for ($order = 1; $order <= intdiv($this->operations, self::EACH); $order++) {
            $due = Day::format($today + $random->getInt(1, $this->days));
            $files['orders.csv'] .= "M{$order},make,firm,A{$random->getInt(1, 200)},MAIN,{$random->getInt(1, 20)},{$due},{$random->getInt(1, 9)}\n";
        }

        return self::asStreams($files);
    }

    /**
     * @param  array<string, string>  $files  contents by file name
     * @return array<string, resource>
     */
    public static function asStreams(array $files): array
    {
        return array_map(function (string $text) {
            $stream = fopen('php://memory', 'w+') ?: throw new RuntimeException('no room');
            fwrite($stream, $text);
            rewind($stream);

            return $stream;
        }, $files);
    }
}
