<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\Words;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Throwable;
use Yposta\Core\Bundle\RowError;
use Yposta\Core\Support\Spoken;

/** For commands whose output is read by programs: what is wrong goes to standard error. */
trait TellsOnStandardError
{
    /** What went wrong, in words; without any database. */
    private function told(Throwable $trouble): string
    {
        return $trouble instanceof Spoken ? Words::of()->say($trouble->phrase()) : $trouble->getMessage();
    }

    /** @param  list<RowError>  $warnings */
    private function note(array $warnings): void
    {
        $this->complain(array_map(fn (RowError $warning) => "note: {$warning->say(Words::of())}", $warnings));
    }

    /** @param  list<string>  $lines */
    private function complain(array $lines): void
    {
        $output = $this->output->getOutput();
        $error = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        foreach ($lines as $line) {
            $error->writeln($line, ConsoleOutputInterface::OUTPUT_RAW);
        }
    }
}
