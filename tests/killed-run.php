<?php

declare(strict_types=1);

/*
 * Starts a run of the live plan that is killed, as by kill -9, when it reaches a stage: php killed-run.php STAGE.
 * `storing` is killed when its rows are written and it is about to switch to them.
 */

use App\Actions\StartRun;
use App\Models\Run;
use Illuminate\Contracts\Console\Kernel;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
[, $stage] = $argv;
$dies = fn (bool $now): ?bool => $now && posix_kill(getmypid(), SIGKILL) ? true : null;
Run::updated(fn (Run $run) => $dies($run->stage === $stage && $stage !== 'storing'));
Run::updating(fn (Run $run) => $dies($run->status === 'done' && $stage === 'storing'));
app(StartRun::class)([], null);
