<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\StartRun;
use App\Support\Refused;
use Illuminate\Console\Command;

final class RunCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:run';

    protected $description = 'Run the live plan with the default settings, here and now';

    public function handle(StartRun $start): int
    {
        config(['queue.default' => 'sync']);
        ini_set('memory_limit', '-1');
        try {
            $run = $start([], null);
        } catch (Refused $refused) {
            $this->complain([$this->told($refused)]);

            return 2;
        }
        if ($run->status !== 'done') {
            $this->complain([(string) $run->trouble]);

            return 2;
        }
        $summary = $run->summary ?? [];
        $this->line(sprintf(
            'Planned: %d proposals, %d of %d lines late.', $summary['proposals'] ?? 0, $summary['lateLines'] ?? 0,
            $summary['salesLines'] ?? 0,
        ));

        return 0;
    }
}
