<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a run can be begun with. */
final readonly class KeptRuns
{
    /**
     * @param  RunChoices  $last  of the last run, else those of the installation
     * @param  list<KeptRunRow>  $rows
     * @param  list<string>  $families  of items
     * @param  string  $timeZone  of the company's clocks
     */
    public function __construct(public RunChoices $last, public array $rows, public array $families, public string $timeZone)
    {
    }
}
