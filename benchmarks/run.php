<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Bundle\PlanWriter;
use Yposta\Core\Plan\Sentences;
use Yposta\Core\Planner;

require __DIR__.'/../vendor/autoload.php';

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
    $contents = (new BundleReader)->read($streams);
    $read = (hrtime(true) - $began) / 1e9;
    array_map(fclose(...), $streams);
    memory_reset_peak_usage();
    $plan = (new Planner)->plan($contents->network, $contents->options);
    $peak = memory_get_peak_usage(true) >> 20;
    $elements = array_sum(array_map(count(...), $plan->supplies)) + array_sum(array_map(count(...), $plan->demands));
    $began = hrtime(true);
    $out = [];
    foreach (array_keys(PlanWriter::FILES) as $file) {
        $out[$file] = fopen('php://temp/maxmemory:2000000', 'w+');
        assert($out[$file] !== false);
    }
    $templates = require __DIR__.'/../lang/en/planning.php';
    (new PlanWriter($plan, new Sentences($templates, $plan->structure, $plan->options->planDate)))->write($out);
    $write = (hrtime(true) - $began) / 1e9;
    $net = $plan->seconds['net'];
    $pegs = $plan->seconds['projection'];
    echo json_encode(['points' => $points, 'elements' => $elements, 'read' => $read, 'net' => $net, 'pegs' => $pegs, 'write' => $write, 'peak' => $peak]), "\n";
}

if (($argv[1] ?? '') === '--one') {
    measure((int) $argv[2]);
    exit;
}
$sizes = array_map(intval(...), array_slice($argv, 1)) ?: [1_000, 10_000, 50_000];
printf("%8s %9s %8s %8s %8s %8s %9s %14s %9s\n", 'points', 'elements', 'read', 'net', 'pegs', 'write', 'peak', 'elements/s', 'growth');
$before = null;
foreach ($sizes as $size) {
    $line = shell_exec(escapeshellarg(PHP_BINARY).' -d memory_limit=-1 '.escapeshellarg(__FILE__)." --one {$size}");
    $figures = json_decode((string) $line, true);
    if (! is_array($figures)) {
        fwrite(STDERR, "The run over {$size} points gave no figures.\n{$line}\n");
        exit(1);
    }
    $core = $figures['net'] + $figures['pegs'];
    $growth = $before === null ? '' : sprintf('n^%.2f', log($core / $before['core']) / log($figures['elements'] / $before['elements']));
    printf(
        "%8d %9d %7.2fs %7.2fs %7.2fs %7.2fs %6d MiB %14s %9s\n", $figures['points'], $figures['elements'], $figures['read'], $figures['net'], $figures['pegs'], $figures['write'],
        $figures['peak'], number_format($figures['elements'] / $core), $growth,
    );
    $before = [...$figures, 'core' => $core];
}
