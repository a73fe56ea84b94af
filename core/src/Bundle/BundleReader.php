<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Network\Network;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Structure\StructureBuilder;

/** Reads a bundle (section 3) from streams and checks every row of it. */
final class BundleReader
{
    /**
     * @param  array<string, resource>  $streams  by file name
     *
     * @throws BundleRefused with every error found, when there is one
     */
    public function read(array $streams): Contents
    {
        $findings = new Findings;
        $files = new Files($streams, $findings);
        foreach (array_diff(array_keys($streams), array_keys(Schema::FILES)) as $unknown) {
            $findings->warn($unknown, null, null, 'the file is not known and was ignored');
        }
        $options = (new PlanSettings($files))->read();
        $master = new MasterData($files);
        $master->read();
        $transactions = new Transactions($files, $master);
        $transactions->read();
        $routing = (new Routings($files, $master, $transactions))->read();
        $network = new Network(
            $master->calendars, $master->sites, $master->items, $master->planning, $master->bom, $master->substitutes, $master->suppliers, $master->supplierItems,
            $transactions->stock, $transactions->forecasts, $transactions->sales, $transactions->orders, $transactions->components, $transactions->allocations, $routing,
        );
        if ($options !== null) {
            foreach ($options->unknownIn($network) as $problem) {
                $findings->error('plan.csv', null, null, $problem);
            }
            if ($findings->errors === []) {
                try {
                    (new StructureBuilder($network, $options))->build();
                } catch (LoopFound $loop) {
                    $findings->error('bom.csv', null, null, "the structure contains itself: {$loop->getMessage()}", 'take one of these out of the other');
                }
            }
        }
        if ($findings->errors !== [] || $options === null) {
            throw new BundleRefused($findings->errors ?: [new RowError('plan.csv', null, 'plan_date', 'the plan date is missing')]);
        }

        return new Contents($network, $options, $findings->warnings);
    }
}
