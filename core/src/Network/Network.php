<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Calendar\Calendar;

/**
 * All that a plan is computed from: what a bundle holds, as immutable objects.
 *
 * References between the parts are codes; whoever builds a network has checked that they exist.
 */
final readonly class Network
{
    use Changeable;

    /**
     * @param  array<string, Calendar>  $calendars  by code
     * @param  array<string, Site>  $sites  by code
     * @param  array<string, Item>  $items  by code
     * @param  array<string, Planning>  $planning  by {@see key()} of item and site
     * @param  list<BomLine>  $bom
     * @param  list<Substitute>  $substitutes
     * @param  array<string, Supplier>  $suppliers  by code
     * @param  list<SupplierItem>  $supplierItems
     * @param  list<Stock>  $stock
     * @param  list<ForecastBucket>  $forecasts
     * @param  list<SalesLine>  $sales
     * @param  array<string, OpenOrder>  $orders  by code
     * @param  list<OrderComponent>  $components
     * @param  list<Allocation>  $allocations  in the order in which they were fixed, which is the order in which they count
     */
    public function __construct(
        public array $calendars = [],
        public array $sites = [],
        public array $items = [],
        public array $planning = [],
        public array $bom = [],
        public array $substitutes = [],
        public array $suppliers = [],
        public array $supplierItems = [],
        public array $stock = [],
        public array $forecasts = [],
        public array $sales = [],
        public array $orders = [],
        public array $components = [],
        public array $allocations = [],
        public Routing $routing = new Routing,
    ) {
    }

    /** The key of a planning point. The separator occurs in no code. */
    public static function key(string $item, string $site): string
    {
        return $item."\x1f".$site;
    }
}
