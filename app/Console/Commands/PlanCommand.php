<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Planning\BundleFolder;
use App\Planning\PlanStore;
use Illuminate\Console\Command;
use InvalidArgumentException;
use RuntimeException;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Bundle\PlanWriter;
use Yposta\Core\Plan\Sentences;
use Yposta\Core\Planner;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;

final class PlanCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:plan {bundle : folder or zip of CSV files} {--out= : folder for the result}';

    protected $description = 'Plan a bundle without any database and write the result as CSV files';

    public function handle(BundleReader $reader, Planner $planner): int
    {
        ini_set('memory_limit', '-1');
        gc_disable(); // a plan is one large web of objects that live to the end; looking for rubbish in it costs a third of the time
        $out = (string) $this->option('out');
        if ($out === '') {
            $this->complain(['Say where the result goes: --out=DIR']);

            return 2;
        }
        try {
            $contents = $reader->read(BundleFolder::open((string) $this->argument('bundle')));
            foreach ($contents->warnings as $warning) {
                $this->complain(["note: {$warning}"]);
            }
            $plan = $planner->plan($contents->network, $contents->options);
            $streams = $this->streams($out);
        } catch (BundleRefused $refused) {
            $this->complain($refused->lines());

            return 2;
        } catch (LoopFound|QuantityOutOfRange|InvalidArgumentException|RuntimeException $refused) {
            $this->complain([$refused->getMessage()]);

            return 2;
        }
        (new PlanWriter($plan, new Sentences(PlanStore::templates(), $plan->structure, $plan->options->planDate)))->write($streams);
        array_map(fclose(...), $streams);
        $this->line(count($plan->proposals).' proposals, '.count($plan->messages).' messages.');
        $this->line(sprintf('core: net %.3f s, projection %.3f s, peak %d MiB', $plan->seconds['net'], $plan->seconds['projection'], memory_get_peak_usage(true) >> 20));

        return 0;
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
