<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Planning\BundleFolder;
use App\Support\Stopwatch;
use App\Support\Words;
use Illuminate\Console\Command;
use InvalidArgumentException;
use RuntimeException;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Planner;

final class PlanCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:plan {bundle : folder or zip of CSV files} {--out= : folder for the result}';

    protected $description = 'Plan a bundle without any database and write the result as CSV files';

    public function handle(BundleReader $reader, Planner $planner): int
    {
        ini_set('memory_limit', '-1');
        gc_disable(); // a plan is one large web of objects that live to the end; looking for rubbish in it costs a third of the time

        return $this->orRefused(function () use ($reader, $planner): void {
            $out = (string) $this->option('out');
            $out !== '' || throw new InvalidArgumentException('Say where the result goes: --out=DIR');
            $contents = $reader->read(BundleFolder::open((string) $this->argument('bundle')));
            $this->note($contents->warnings);
            $watch = new Stopwatch;
            $plan = $planner->plan($contents->network, $contents->options, $watch);
            $watch->stop();
            $streams = $this->streams($out);
            (new PlanWriter($plan, Words::of($plan->options->planDate)))->write($streams);
            array_map(fclose(...), $streams);
            $this->line(count($plan->proposals()).' proposals, '.count($plan->messages()).' messages.');
            $this->line(sprintf(
                'core: net %.3f s, projection %.3f s, peak %d MiB', $watch->seconds('structure', 'projection'),
                $watch->seconds('projection'), memory_get_peak_usage(true) >> 20,
            ));
        });
    }

    /** @return array<string, resource> */
    private function streams(string $folder): array
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o777, true)) {
            throw new RuntimeException("{$folder} cannot be made");
        }
        $streams = [];
        foreach (array_keys(PlanWriter::FILES) as $file) {
            $stream = @fopen("{$folder}/{$file}", 'w');
            if ($stream === false) {
                throw new RuntimeException("{$folder}/{$file} cannot be written");
            }
            $streams[$file] = $stream;
        }

        return $streams;
    }
}
