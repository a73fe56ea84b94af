<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Options\Options;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;

/** When a supply will really be there (section 6). Its inputs must have been served before. */
final readonly class SupplyDates
{
    public function __construct(private Options $options)
    {
    }

    public function settle(Supply $supply, Point $point): void
    {
        $planDate = $this->options->planDate;
        $base = max($supply->due, $planDate);
        $waits = $supply->type === OrderKind::Make || ($supply->isProposal() && $supply->type === OrderKind::Transfer);
        if (! $waits) {
            $supply->available = $supply->isProposal() ? max($base, $supply->earliest) : $base;

            return;
        }
        if ($supply->start < $planDate && ! $supply->released) {
            $base = max($base, $point->calendar->forward($planDate, $point->makeLeadFor($supply->whole)));
        }
        $longest = null;
        foreach ($supply->inputs as $input) {
            if ($input->expected !== null && $input->date !== null && $input->expected > $input->date) {
                $slip = $point->calendar->stepsToReach($input->date, $input->expected);
                if ($longest === null || $slip > $longest) {
                    $longest = $slip;
                    $supply->waitsFor = $input;
                }
            }
        }
        $supply->available = $longest === null ? $base : $point->calendar->forward($base, $longest);
        if ($supply->available === $base) {
            $supply->waitsFor = null;
        }
    }
}
