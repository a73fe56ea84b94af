<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Bundle\Findings;
use Yposta\Core\Bundle\NetworkCheck;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Options\Options;

/** Refuses a bundle whose structure or chain of transfers contains itself. */
final readonly class LoopCheck implements NetworkCheck
{
    public function check(Network $network, Options $options, Findings $findings): void
    {
        if (! self::mayLoop($network)) {
            return;
        }
        try {
            (new StructureBuilder($network, $options))->build();
        } catch (LoopFound $loop) {
            $findings->note(new Fault($loop->phrase(), Fault::remedyOf('loop')), 'bom.csv');
        }
    }

    /**
     * Whether there is a loop when sites are left out of account, which takes less than to make the structure: what loops point by point
     * does so item by item, or from site to site within one item.
     */
    private static function mayLoop(Network $network): bool
    {
        $edges = [];
        foreach ($network->bom as $line) {
            $edges[$line->item][$line->component] = true;
        }
        foreach ($network->components as $row) {
            $edges[$network->orders[$row->order]->item][$row->item] = true;
        }
        foreach ($network->planning as $key => $planning) {
            if ($planning->supply === OrderKind::Transfer) {
                $edges[$key][Network::key($planning->item, (string) $planning->fromSite)] = true;
            }
        }
        $waiting = [];
        foreach ($edges as $targets) {
            foreach ($targets as $target => $_) {
                $waiting[$target] = ($waiting[$target] ?? 0) + 1;
            }
        }
        for ($ready = array_keys(array_diff_key($edges, $waiting)); $ready !== [];) {
            $from = array_pop($ready);
            foreach ($edges[$from] ?? [] as $target => $_) {
                if (--$waiting[$target] === 0) {
                    $ready[] = $target;
                    unset($waiting[$target]);
                }
            }
        }

        return $waiting !== [];
    }
}
