<?php

declare(strict_types=1);

namespace Yposta\Core;

use InvalidArgumentException;
use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Netting\Netting;
use Yposta\Core\Netting\SupplyCollector;
use Yposta\Core\Netting\Workspace;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Projection\Projection;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Structure\StructureBuilder;

/** The one door to the core. */
final readonly class Planner
{
    /**
     * @param  (callable(string): void)|null  $stage  told when a stage begins: structure, demand, netting, projection
     *
     * @throws InvalidArgumentException when the options name something the network does not hold
     * @throws LoopFound when a structure or a chain of transfers contains itself
     * @throws QuantityOutOfRange when a requirement or a lot leaves the range of quantities
     */
    public function plan(Network $network, Options $options, ?callable $stage = null): Plan
    {
        $unknown = $options->unknownIn($network);
        if ($unknown !== []) {
            throw new InvalidArgumentException(implode('; ', $unknown));
        }
        $stage ??= static fn (string $name) => null;
        $begin = hrtime(true);
        $stage('structure');
        $structure = (new StructureBuilder($network, $options))->build();
        $work = new Workspace($structure, $options);
        $stage('demand');
        (new SupplyCollector($network))->collect($work);
        (new DemandCollector($network))->collect($work);
        $stage('netting');
        (new Netting($work))->run();
        $netted = hrtime(true);
        $stage('projection');
        (new Projection($network, $work))->run();
        $end = hrtime(true);

        return new Plan($network, $work, ['net' => ($netted - $begin) / 1e9, 'projection' => ($end - $netted) / 1e9]);
    }
}
