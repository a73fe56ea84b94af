<?php

declare(strict_types=1);

use App\Console\Commands\ServeCommand;
use App\Support\Stopwatch;
use Benchmarks\RandomBundle;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Planner;
use Yposta\Core\Structure\LoopCheck;
use Yposta\Core\Wording\Templates;

require __DIR__.'/../vendor/autoload.php';

/** Changes over which the time of a net change is averaged. */
const CHANGES = 8;

/** One size in a process of its own, so that its peak memory is its own. */
function measure(int $points): void
{
    $streams = [];
    foreach ((new RandomBundle(7, $points, false))->files() as $name => $text) {
        $stream = fopen('php://temp/maxmemory:1000000000', 'w+');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);
        $streams[$name] = $stream;
    }
    gc_disable();
    $began = hrtime(true);
    $contents = (new BundleReader(new LoopCheck))->read($streams);
    $read = (hrtime(true) - $began) / 1e9;
    array_map(fclose(...), $streams);
    memory_reset_peak_usage();
    $watch = new Stopwatch;
    $plan = (new Planner)->plan($contents->network, $contents->options, $watch);
    $watch->stop();
    $peak = memory_get_peak_usage(true) >> 20;
    $elements = array_sum(array_map(count(...), $plan->supplies)) + array_sum(array_map(count(...), $plan->demands));
    $began = hrtime(true);
    $out = [];
    foreach (array_keys(PlanWriter::FILES) as $file) {
        $out[$file] = fopen('php://temp/maxmemory:2000000', 'w+');
        assert($out[$file] !== false);
    }
    $words = Templates::of(require __DIR__.'/../lang/en/core.php')->on($plan->options->planDate);
    (new PlanWriter($plan, $words))->write($out);
    $write = (hrtime(true) - $began) / 1e9;
    $net = $watch->seconds('structure', 'projection');
    $pegs = $watch->seconds('projection');
    unset($out);
    $change = netChange($plan);
    echo json_encode([
        'points' => $points, 'elements' => $elements, 'read' => $read, 'net' => $net, 'pegs' => $pegs, 'write' => $write,
        'peak' => $peak, 'change' => $change,
    ]), "\n";
}

/** Seconds to plan again after one sales line has got another quantity, on average over some of them. */
function netChange(Plan $plan): float
{
    $total = 0.0;
    for ($n = 0; $n < CHANGES; $n++) {
        $sales = $plan->network->sales;
        $place = intdiv(count($sales) * $n, CHANGES);
        $sales[$place] = $sales[$place]->with(qty: $sales[$place]->qty + 3_000_000);
        $network = $plan->network->with(sales: $sales);
        $began = hrtime(true);
        $plan = NetChange::plan($plan, $network);
        $total += (hrtime(true) - $began) / 1e9;
    }

    return $total / CHANGES;
}

if (($argv[1] ?? '') === '--one') {
    measure((int) $argv[2]);
    exit;
}
$sizes = array_map(intval(...), array_slice($argv, 1)) ?: [1_000, 10_000, 20_000, 100_000];
printf(
    "%8s %9s %8s %8s %8s %8s %10s %9s %14s %9s\n", 'points', 'elements', 'read', 'net', 'pegs', 'write', 'net change', 'peak',
    'elements/s', 'growth',
);
$before = null;
foreach ($sizes as $size) {
    $command = [PHP_BINARY, ...ServeCommand::COMPILED, '-d', 'memory_limit=-1', __FILE__, '--one', (string) $size];
    $line = shell_exec(implode(' ', array_map(escapeshellarg(...), $command)));
    $figures = json_decode((string) $line, true);
    if (! is_array($figures)) {
        fwrite(STDERR, "The run over {$size} points gave no figures.\n{$line}\n");
        exit(1);
    }
    $core = $figures['net'] + $figures['pegs'];
    $growth = $before === null ? '' : sprintf('n^%.2f', log($core / $before['core']) / log($figures['elements'] / $before['elements']));
    printf(
        "%8d %9d %7.2fs %7.2fs %7.2fs %7.2fs %7.0f ms %6d MiB %14s %9s\n", $figures['points'], $figures['elements'], $figures['read'],
        $figures['net'], $figures['pegs'], $figures['write'], $figures['change'] * 1000,
        $figures['peak'], number_format($figures['elements'] / $core), $growth,
    );
    $before = [...$figures, 'core' => $core];
}
