<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Trials\PlanServer;
use Illuminate\Console\Command;

/** Keeps the plan ready for what people try, and answers questions about it on a socket; see {@see PlanServer}. */
final class KeepPlanCommand extends Command
{
    protected $signature = 'yposta:keep-plan {--socket= : path of the socket; else the configured one}';

    protected $description = 'Keep the live plan ready, so that trying a change costs only what it reaches';

    public function handle(PlanServer $server): int
    {
        ini_set('memory_limit', '-1');
        $path = (string) ($this->option('socket') ?: config('yposta.plan_socket'));
        if ($path === '') {
            $this->error('Name a socket: --socket=PATH');

            return 2;
        }
        $server->serve($path);

        return 0;
    }
}
