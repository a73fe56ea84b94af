<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\ImportBundle;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use Illuminate\Console\Command;
use RuntimeException;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Calendar\Day;

final class ImportCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:import {bundle : folder or zip of CSV files} {--replace : put it in the place of the data that is there} {--pin : keep its plan date as today}';

    protected $description = 'Take a bundle into the database: all of it, or nothing';

    public function handle(ImportBundle $import): int
    {
        try {
            $contents = $import((string) $this->argument('bundle'), (bool) $this->option('replace'), (bool) $this->option('pin'));
        } catch (BundleRefused $refused) {
            $this->complain($refused->lines(Words::of()));
            $this->complain(['Nothing was imported.']);

            return 2;
        } catch (Refused|RuntimeException $refused) {
            $this->complain([$this->told($refused)]);

            return 2;
        }
        $this->note($contents->warnings);
        $network = $contents->network;
        $this->line(count($network->items).' items, '.count($network->planning).' planning points, '.count($network->sales)
            .' sales lines, '.count($network->orders).' open orders imported.');
        $its = Day::format($contents->options->planDate);
        if ($its !== Settings::planDate()) {
            $this->complain(["note: the bundle was made for plan date {$its}, but the plan runs from today; import it with --pin to keep its date."]);
        }

        return 0;
    }
}
