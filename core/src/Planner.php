<?php

declare(strict_types=1);

namespace Yposta\Core;

use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Netting\Netting;
use Yposta\Core\Netting\SupplyCollector;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Limits;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Projection\Projection;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Structure\StructureBuilder;
use Yposta\Core\Support\Phrase;

/** The one door to the core. */
final readonly class Planner
{
    public function __construct(private Limits $limits = new Limits)
    {
    }

    /**
     * @param  (callable(string): void)|null  $stage  told when a stage begins: structure, demand, netting, projection, and scheduling where
     *    the options ask for it
     *
     * @throws InvalidOptions when the options name something the network does not hold
     * @throws LoopFound when a structure or a chain of transfers contains itself
     * @throws QuantityOutOfRange when a requirement or a lot leaves the range of quantities, or the run its limits
     */
    public function plan(Network $network, Options $options, ?callable $stage = null): Plan
    {
        $unknown = $options->unknownIn($network);
        if ($unknown !== []) {
            throw new InvalidOptions(new Phrase('options.unknown', ['what' => $unknown]));
        }
        $stage ??= static fn (string $name) => null;
        $stage('structure');
        $structure = (new StructureBuilder($network, $options))->build();
        $work = new Workspace($structure, $options, $this->limits);
        $stage('demand');
        (new SupplyCollector($network))->collect($work);
        (new DemandCollector($network))->collect($work);
        $stage('netting');
        (new Netting($work))->run();
        $stage('projection');
        (new Projection($network, $work))->run();

        return ShopPlan::of($network, $work, null, $stage);
    }
}
