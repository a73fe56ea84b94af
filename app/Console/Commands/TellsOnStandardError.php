<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Symfony\Component\Console\Output\ConsoleOutputInterface;

/** For commands whose output is read by programs: what is wrong goes to standard error. */
trait TellsOnStandardError
{
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
