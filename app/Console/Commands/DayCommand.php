<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Run;
use App\Outside\StandInPlanner;
use App\Outside\WorldDay;
use App\Reading\DayFigures;
use App\Reading\Examination;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use Illuminate\Console\Command;

final class DayCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:day {--days=1 : how many pass} {--seed=1 : the same seed and start give the same days} {--plan : somebody plans and orders every day} {--check : examine the database after each, and stop where it does not agree with itself} {--quiet-days : print only the figures}';

    protected $description = 'Let days of the world outside pass in the demo: suppliers, the floor, customers and chance';

    public function handle(WorldDay $world, StandInPlanner $planner, Examination $examination): int
    {
        config(['queue.default' => 'sync']);
        ini_set('memory_limit', '-1');
        $first = Settings::planDate();
        try {
            for ($day = 0; $day < max(1, (int) $this->option('days')); $day++) {
                $passed = $world((int) $this->option('seed'));
                $made = $this->option('plan') ? $planner->day() : null;
                $this->line($this->figures($first, $passed['day'], $made));
                foreach ($this->option('quiet-days') ? [] : $passed['said'] as $said) {
                    $this->line("  {$said}");
                }
                foreach ($this->option('check') ? $examination->all() : [] as $wrong) {
                    $this->complain([$wrong]);

                    return 1;
                }
            }
        } catch (Refused $refused) {
            $this->complain([$this->told($refused)]);

            return 2;
        }

        return 0;
    }

    private function figures(string $first, string $day, ?int $made): string
    {
        $figures = DayFigures::of($first, $day, Run::live()?->id);

        return sprintf(
            '%s  service %s (%d of %d lines)  stock %s  to hurry %d%s', $day, $figures->service(), $figures->inTime, $figures->due,
            Words::money($figures->stockValue), $figures->expedites, $made === null ? '' : "  ordered {$made}",
        );
    }
}
