<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Reading\Examination;
use Illuminate\Console\Command;

final class CheckCommand extends Command
{
    protected $signature = 'yposta:check';

    protected $description = 'Look whether the database agrees with itself: ledger, stock, orders, holds, plan; changes nothing';

    public function handle(Examination $examination): int
    {
        ini_set('memory_limit', '-1');
        $wrong = 0;
        foreach ($examination->all() as $sentence) {
            $wrong++;
            $this->line($sentence);
        }
        $this->line($wrong === 0 ? 'All agrees.' : sprintf('%d %s wrong.', $wrong, $wrong === 1 ? 'thing is' : 'things are'));

        return $wrong === 0 ? 0 : 1;
    }
}
