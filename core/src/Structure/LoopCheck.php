<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Bundle\Findings;
use Yposta\Core\Bundle\NetworkCheck;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;

/** Refuses a bundle whose structure or chain of transfers contains itself. */
final readonly class LoopCheck implements NetworkCheck
{
    public function check(Network $network, Options $options, Findings $findings): void
    {
        try {
            (new StructureBuilder($network, $options))->build();
        } catch (LoopFound $loop) {
            $findings->note(new Fault($loop->phrase(), Fault::remedyOf('loop')), 'bom.csv');
        }
    }
}
