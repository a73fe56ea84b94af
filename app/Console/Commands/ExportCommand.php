<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\ExportBundle;
use Illuminate\Console\Command;
use RuntimeException;

final class ExportCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:export {bundle : folder, or file that ends in .zip}';

    protected $description = 'Write the live data as a bundle that can be imported again';

    public function handle(ExportBundle $export): int
    {
        try {
            $files = $export((string) $this->argument('bundle'));
        } catch (RuntimeException $trouble) {
            $this->complain([$this->told($trouble)]);

            return 2;
        }
        $this->line(count($files).' files written.');

        return 0;
    }
}
