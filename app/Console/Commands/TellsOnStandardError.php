<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\NumberStyle;
use App\Support\Words;
use InvalidArgumentException;
use RuntimeException;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Throwable;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Bundle\RowError;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Support\Spoken;

/** For commands whose output is read by programs: what is wrong goes to standard error. */
trait TellsOnStandardError
{
    /**
     * Does something with a bundle; where it is refused, says why.
     *
     * @param  callable(): mixed  $do
     * @return int exit status: 2 where it was refused
     */
    private function orRefused(callable $do): int
    {
        NumberStyle::plain(); // files are the same everywhere, and no database is asked
        try {
            $do();
        } catch (BundleRefused $refused) {
            $this->complain($refused->lines(Words::of()));

            return 2;
        } catch (LoopFound|QuantityOutOfRange|InvalidArgumentException|RuntimeException $refused) {
            $this->complain([$this->told($refused)]);

            return 2;
        } finally {
            NumberStyle::forget();
        }

        return 0;
    }

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
