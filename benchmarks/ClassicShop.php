<?php

declare(strict_types=1);

namespace Benchmarks;

use InvalidArgumentException;

/**
 * Shops from the literature in their usual text format: how many jobs and machines, then a line for each job with the machine and the
 * minutes of each of its operations, one after the other. As a bundle it is one order for each job; machines run day and night.
 */
final readonly class ClassicShop
{
    /** Six jobs by six machines, Fisher and Thompson 1963: done after 55 at best. */
    public const SIX = <<<'SHOP'
        6 6
        2 1 0 3 1 6 3 7 5 3 4 6
        1 8 2 5 4 10 5 10 0 10 3 4
        2 5 3 4 5 8 0 9 1 1 4 7
        1 5 0 5 2 5 3 3 4 8 5 9
        2 9 1 3 4 5 5 4 0 3 3 1
        1 3 3 3 5 9 0 10 4 4 2 1
        SHOP;

    /** Ten jobs by ten machines, Fisher and Thompson 1963: done after 930 at best. */
    public const TEN = <<<'SHOP'
        10 10
        0 29 1 78 2 9 3 36 4 49 5 11 6 62 7 56 8 44 9 21
        0 43 2 90 4 75 9 11 3 69 1 28 6 46 5 46 7 72 8 30
        1 91 0 85 3 39 2 74 8 90 5 10 7 12 6 89 9 45 4 33
        1 81 2 95 0 71 4 99 6 9 8 52 7 85 3 98 9 22 5 43
        2 14 0 6 1 22 5 61 3 26 4 69 8 21 7 49 9 72 6 53
        2 84 1 2 5 52 3 95 8 48 9 72 0 47 6 65 4 6 7 25
        1 46 0 37 3 61 2 13 6 32 5 21 9 32 8 89 7 30 4 55
        2 31 0 86 1 46 5 74 4 32 6 88 8 19 9 48 7 36 3 79
        0 76 1 69 3 76 5 51 2 85 9 11 6 40 7 89 4 26 8 74
        1 85 0 13 2 61 6 7 8 64 9 76 5 47 3 52 4 90 7 45
        SHOP;

    public function __construct(private string $text)
    {
    }

    /** @return array<string, string> contents by file name */
    public function files(): array
    {
        $lines = array_map(
            fn (string $line) => array_map(intval(...), preg_split('/\s+/', trim($line)) ?: []), explode("\n", trim($this->text)),
        );
        [$jobs, $machines] = array_shift($lines) ?? [0, 0];
        $files = [
            'plan.csv' => "key,value\nplan_date,2026-03-02\ncalendars,off\n", 'sites.csv' => "site\nMAIN\n", 'items.csv' => "item\n",
            'planning.csv' => "item,site,supply,lead_days\n", 'work_centres.csv' => "work_centre,site,kind\n",
            'operations.csv' => "item,op,work_centre,run_min\n", 'orders.csv' => "order,kind,status,item,site,qty,due\n",
        ];
        for ($machine = 0; $machine < $machines; $machine++) {
            $files['work_centres.csv'] .= "W{$machine},MAIN,machine\n";
        }
        foreach ($lines as $place => $line) {
            count($line) === 2 * $machines || throw new InvalidArgumentException("Job {$place} does not name {$machines} operations");
            $files['items.csv'] .= "J{$place}\n";
            $files['planning.csv'] .= "J{$place},MAIN,make,1\n";
            $files['orders.csv'] .= "O{$place},make,released,J{$place},MAIN,1,2026-03-02\n";
            foreach (array_chunk($line, 2) as $number => [$machine, $minutes]) {
                $files['operations.csv'] .= "J{$place},".(10 * $number + 10).",W{$machine},{$minutes}\n";
            }
        }
        count($lines) === $jobs || throw new InvalidArgumentException("There are not {$jobs} jobs");

        return $files;
    }
}
