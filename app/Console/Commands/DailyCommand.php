<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\StartDailyRun;
use Illuminate\Console\Command;

/** Asked every minute by the scheduler. */
final class DailyCommand extends Command
{
    protected $signature = 'yposta:daily';

    protected $description = 'Begin the run of the day if its time has come and it has not begun yet';

    public function handle(StartDailyRun $start): int
    {
        $run = $start();
        $run === null || $this->line("Run {$run->id} of the day has begun.");

        return 0;
    }
}
