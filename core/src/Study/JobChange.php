<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;

/** Finds and replaces lines of jobs. */
trait JobChange
{
    /** @throws DoesNotFit when there is none, or it wants nothing yet */
    private static function wanting(Network $network, string $job, string $line): JobLine
    {
        foreach ($network->jobLines as $row) {
            if ($row->job === $job && $row->line === $line) {
                return $row->wanted() === null ? throw DoesNotFit::because('not_approved', ['line' => "{$job}/{$line}"]) : $row;
            }
        }
        throw DoesNotFit::because('no_job_line', ['line' => "{$job}/{$line}"]);
    }

    private static function putLine(Network $network, JobLine $line): Network
    {
        return $network->with(jobLines: array_map(
            fn (JobLine $row) => $row->job === $line->job && $row->line === $line->line ? $line : $row, $network->jobLines,
        ));
    }
}
