<?php

declare(strict_types=1);

use App\Console\Commands\ServeCommand;
use Benchmarks\Company;

// What the application costs over companies of so many points, as multiples of netting and projecting them in the core, and how that
// grows from one size to the next. Without sizes: a company a hundred times the demo, and a tenth of it. The application runs as it is
// served, compiled while it runs; one stands for the core as it is interpreted, so that what compiling gains is seen in every figure.

require __DIR__.'/../vendor/autoload.php';

if (($argv[1] ?? '') === '--core') {
    echo Company::core((int) $argv[2]), "\n";
    exit;
}
if (($argv[1] ?? '') === '--one') {
    $folder = sys_get_temp_dir().'/yposta-bench-'.getmypid();
    mkdir($folder, 0700);
    try {
        echo json_encode((new Company((int) $argv[2], $folder))->measure(), JSON_THROW_ON_ERROR), "\n";
    } finally {
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
    }
    exit;
}
$before = null;
foreach (array_map(intval(...), array_slice($argv, 1)) ?: [2_000, 20_000] as $points) {
    $php = fn (array $options) => implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, ...$options, '-d', 'memory_limit=-1', __FILE__]));
    $core = (float) shell_exec($php([])." --core {$points}");
    $told = shell_exec($php(ServeCommand::COMPILED)." --one {$points}");
    $company = json_decode((string) $told, true) ?: exit("The company of {$points} points could not be measured.\n");
    printf(
        "\n%s points; netting and projecting them: 1 (%.2f s); the plan that is kept: %.0f MiB\n\n",
        number_format($points), $core, $company['memory'],
    );
    foreach ($company['figures'] as $place => $figure) {
        $ratio = $figure['seconds'] / $core;
        $growth = $before === null ? '' : sprintf(
            'n^%.2f',
            log(max(1e-9, $figure['seconds'] / $before['figures'][$place]['seconds'])) / log($points / $before['points']),
        );
        printf(
            "%-34s %8.3f  aim %5.2f %s %s %s\n", $figure['what'], $ratio, $figure['aim'], $ratio > $figure['aim'] ? 'OVER' : '    ', $growth,
            $figure['queries'] === null ? '' : sprintf('%d queries%s', $figure['queries'], $figure['queries'] > Company::QUERIES ? ' OVER' : ''),
        );
    }
    $before = $company;
}
