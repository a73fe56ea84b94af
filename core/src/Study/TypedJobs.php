<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Quantity\Amount;

/** What may become of lines of jobs that are written as rows: what a job has got is not typed, and an activity must be one of the job's. */
final class TypedJobs
{
    /**
     * @return Network the one after, without what was held for lines that went, that want something else now, or nothing yet
     *
     * @throws DoesNotFit
     */
    public static function checked(Network $before, Network $after): Network
    {
        foreach (JobActivity::missing($after->jobLines, $after->jobActivities) as $line) {
            throw DoesNotFit::because('no_activity', ['line' => $line->reference()->name, 'activity' => $line->activity]);
        }
        $drops = [];
        $pairs = RowDifference::of($before->jobLines, $after->jobLines, fn (JobLine $line) => (string) $line->reference());
        foreach ($pairs as $name => [$old, $new]) {
            $issued = $old->issued ?? 0;
            $called = ($new ?? $old)?->reference()->name ?? '';
            if ($new === null) {
                $issued === 0 || throw DoesNotFit::because('job_has_some', ['line' => $called]);
            } else {
                $new->issued === $issued || throw DoesNotFit::because('job_line_past', ['line' => $called]);
                $new->qty >= $issued || throw DoesNotFit::because('job_has', ['line' => $called, 'qty' => new Amount($issued)]);
            }
            $isOther = $old !== null && [$old->wanted(), $old->site] !== [$new?->wanted(), $new?->site];
            $isOther && $issued > 0 && throw DoesNotFit::because('job_has_some', ['line' => $called]);
            $isOther && $drops[(string) $name] = true;
        }

        return $drops === [] ? $after : $after->with(allocations: array_values(array_filter(
            $after->allocations, fn (Allocation $held) => ! isset($drops[$held->demand]),
        )));
    }
}
