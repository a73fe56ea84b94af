<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** Where and how things are made: centres, their time, and the operations of items (section 11). */
final readonly class Routing
{
    /**
     * @param  array<string, WorkCentre>  $workCentres  by code
     * @param  list<Shift>  $shifts
     * @param  list<Closure>  $closures
     * @param  list<Operation>  $operations
     * @param  list<OperationAlternative>  $alternatives
     * @param  list<SetupChange>  $setupChanges
     * @param  list<OrderOperation>  $orderOperations
     */
    public function __construct(
        public array $workCentres = [],
        public array $shifts = [],
        public array $closures = [],
        public array $operations = [],
        public array $alternatives = [],
        public array $setupChanges = [],
        public array $orderOperations = [],
    ) {
    }
}
